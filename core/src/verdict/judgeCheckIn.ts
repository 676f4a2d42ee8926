import type { Complaint, DerivedFinding, MachineClass, RaisedWork } from '../catalogue/shapes';
import type { Answer } from './answers';
import { judge, type MissingKit, type Verdict } from './judge';
import { asLooked } from './answers';
import { wasHurried } from './walk';

/** What it comes to that an engine was tried and did not start. */
const WILL_NOT_START = 'will-not-fire';

/** The lists and rules that a check-in is judged by. */
export interface Rules {
  readonly edition: string;
  readonly machineClass: MachineClass;
  readonly complaints: readonly Complaint[];
  readonly derived: readonly DerivedFinding[];
  readonly findFault?: RaisedWork;
}

/** What a person entered at a return. */
export interface Entered {
  readonly fuelEighths: number;
  readonly fuelTap: 'was-shut' | 'shut-now' | 'none';
  /** How it ran at the end: "well", "not-told", or the id of a complaint. */
  readonly ended: string;
  readonly missing: readonly { readonly id: string; readonly count: number }[];
  readonly complaintIds: readonly string[];
  readonly answers: readonly Answer[];
  readonly stations: readonly { readonly id: string; readonly seconds: number }[];
  readonly trueHours: number;
  /** Whether it started; not said by older ones. */
  readonly starts?: 'starts' | 'will-not-start' | 'not-tried' | undefined;
  /** How unusual the hours were, as one in so many; 0 when they were not. */
  readonly unusualOneIn: number;
  readonly byApprentice: boolean;
}

/** What was known of the unit before. */
export interface Known {
  readonly trueHours: number;
  readonly hoursToOilService: number;
  /** Hours that the next booked hire is expected to run; null when none is booked. */
  readonly nextHireHours: number | null;
  /** Eighths of a tank that it went out with; null when not known. */
  readonly wentOutWithEighths: number | null;
  /** What went along at the check-out; null when not known, and then the class's whole kit did. */
  readonly wentOutWithKit: readonly { readonly id: string; readonly count: number }[] | null;
  /** How often the same trouble came back soon within a year; not said by older ones. */
  readonly comebacks?: number | undefined;
  /** The yard's own prices of what did not come back, cents by its id; without one the class's counts. */
  readonly kitPrices?: Readonly<Record<string, number>> | undefined;
}

/**
 * The verdict of one return. The same on the device, where it is shown before it is sent, and on the server, which decides.
 * In: rules, what was entered, what was known; hours are true hours, fuel in eighths of a tank. Out: the verdict (see judge).
 * Throws on ids that the rules do not hold. Source: common practice.
 */
export function judgeCheckIn(rules: Rules, entered: Entered, known: Known): Verdict {
  const { machineClass } = rules;
  const left = known.hoursToOilService - (entered.trueHours - known.trueHours);
  const endedBadly = rules.complaints.some((complaint) => complaint.id === entered.ended);
  const told = new Set(entered.complaintIds);
  if (endedBadly) told.add(entered.ended);
  if (entered.starts === 'will-not-start' && rules.complaints.some((complaint) => complaint.id === WILL_NOT_START))
    told.add(WILL_NOT_START);
  return judge({
    edition: rules.edition,
    ...(rules.findFault ? { findFault: rules.findFault } : {}),
    checks: machineClass.stations.flatMap((station) => station.checks),
    complaints: rules.complaints,
    derived: rules.derived,
    answers: entered.answers.map(asLooked),
    complaintIds: [...told],
    missing: pricedKit(
      presentKit(entered.missing, machineClass.kit),
      kitAtPrices(kitThatWent(machineClass.kit, known.wentOutWithKit), known.kitPrices),
    ),
    facts: {
      hoursToOilService: Math.round(left * 10) / 10,
      ...(known.nextHireHours === null ? {} : { hoursToOilServiceAfterNextHire: left - known.nextHireHours }),
      stationsHurried: machineClass.stations.filter((station) =>
        wasHurried(station, entered.stations.find((entry) => entry.id === station.id)?.seconds ?? 0),
      ).length,
      fuelEighthsShort: known.wentOutWithEighths === null ? 0 : known.wentOutWithEighths - entered.fuelEighths,
      tapFoundOpen: entered.fuelTap === 'shut-now' ? 1 : 0,
      hoursOverrideOneIn: entered.unusualOneIn,
      byApprentice: entered.byApprentice ? 1 : 0,
      comebacks: known.comebacks ?? 0,
    },
  });
}

interface Counted {
  readonly id: string;
  readonly count: number;
}

/**
 * What was counted under a line of an older edition, under those that stand in its place: one for one, the first of them first.
 * In: counts as they were written, the kit as it is. Out: counts by ids of the kit. Example: two of four nozzles are the first two by angle.
 */
export function presentKit(
  counted: readonly Counted[],
  kit: readonly { readonly id: string; readonly formerly?: string }[],
): Counted[] {
  return counted.flatMap((entry) => {
    const now = kit.filter((item) => item.formerly === entry.id);
    return now.length === 0 ? entry : now.slice(0, entry.count).map(({ id }) => ({ id, count: 1 }));
  });
}

/**
 * The kit of a class as far as it went out.
 * In: the class's kit, what the check-out says (null: not known). Out: the same entries with the counts that went, those that did not left out.
 */
export function kitThatWent<K extends Counted & { readonly formerly?: string }>(
  kit: readonly K[],
  went: Known['wentOutWithKit'],
): K[] {
  if (went === null) return [...kit];
  const gone = presentKit(went, kit);
  return kit
    .map((entry) => ({ ...entry, count: Math.min(gone.find((one) => one.id === entry.id)?.count ?? 0, entry.count) }))
    .filter((entry) => entry.count > 0);
}

/** A kit at the yard's own prices, where it has set them. */
export const kitAtPrices = <K extends { readonly id: string; readonly priceCents: number }>(
  kit: readonly K[],
  own: Readonly<Record<string, number>> = {},
): K[] => kit.map((entry) => ({ ...entry, priceCents: own[entry.id] ?? entry.priceCents }));

/** Kit that did not come back, with its price: never more of a thing than went out. */
function pricedKit(missing: Entered['missing'], kit: readonly MissingKit[]): MissingKit[] {
  return kit.flatMap((entry) => {
    const count = Math.min(missing.find((gone) => gone.id === entry.id)?.count ?? 0, entry.count);
    return count > 0 ? [{ id: entry.id, name: entry.name, count, priceCents: entry.priceCents * count }] : [];
  });
}
