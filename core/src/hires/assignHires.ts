import { JUDGEMENT, type Threshold } from '../catalogue/shapes';

/** Minutes from now. */
type Minute = number;
type Stretch = readonly [from: Minute, to: Minute];

/** A hire of any unit of a class. */
export interface ClassHire {
  readonly reference: string;
  readonly from: Minute;
  readonly to: Minute;
  /** The unit that it was given before. */
  readonly was: string | null;
}

/** A unit of the class, as far as it can be given. */
export interface ClassUnit {
  readonly tag: string;
  /** When it is fit: 0 now, Infinity where nothing is done about it. */
  readonly readyAt: Minute;
  /** Whether the plan makes it ready in time, 0 to 1, where it is not fit yet. */
  readonly sure: number;
  /** When it is out, or promised itself. */
  readonly taken: readonly Stretch[];
  /** When the first item of its service falls due; Infinity: not in sight. */
  readonly dueAt: Minute;
}

export interface Given {
  readonly reference: string;
  /** Nobody: no unit of the class can be given. */
  readonly tag: string | null;
  /** An item of its service runs out while it is out. */
  readonly overruns: boolean;
}

export const TURNAROUND: Threshold = {
  name: 'Between two hires of a unit: looked at, cleaned and handed out again',
  value: 90,
  unit: 'min',
  source: JUDGEMENT,
};
export const NOT_COVERED: Threshold = {
  name: 'What a hire without a unit weighs, against the other reasons of giving one',
  value: 10_000,
  unit: 'points',
  source: JUDGEMENT,
};
export const OVERRUN: Threshold = {
  name: 'What a service weighs that runs out while its unit is on hire',
  value: 1000,
  unit: 'points',
  source: JUDGEMENT,
};
export const NOT_SURE: Threshold = {
  name: 'What a unit weighs that is surely not ready; one that is sure weighs nothing',
  value: 2000,
  unit: 'points',
  source: JUDGEMENT,
};
export const SHUFFLE: Threshold = {
  name: 'What giving another unit than before weighs',
  value: 120,
  unit: 'points',
  source: JUDGEMENT,
};
export const LIFE_LEFT: Threshold = {
  name: 'What each week of service life weighs that is left over after a hire: the longest life is kept for the longest hire, and as a spare',
  value: 10,
  unit: 'points',
  source: JUDGEMENT,
};

const WEEK: Minute = 10_080;
/** A life that is longer is as good as this one, weeks. */
const LONG_LIFE = 8;
/** A search that comes so far ends with the best so far. */
const MOST_TRIES = 200_000;

/** Whether a unit can be given: it is ready, and not promised in that time. */
export const canTake = ({ readyAt, taken }: ClassUnit, { from, to }: Pick<ClassHire, 'from' | 'to'>): boolean =>
  readyAt <= from && !taken.some((stretch) => overlaps(stretch, [from, to]));

const overlaps = ([a, b]: Stretch, [from, to]: Stretch): boolean =>
  a < to + TURNAROUND.value && from < b + TURNAROUND.value;

/** What giving a unit weighs, in points; less is better. */
export function weightOf(hire: ClassHire, unit: ClassUnit): number {
  const left = Math.max(unit.dueAt - hire.to, 0) / WEEK;
  return (
    (unit.dueAt < hire.to ? OVERRUN.value : 0) +
    (unit.readyAt > 0 ? NOT_SURE.value * (1 - unit.sure) : 0) +
    (hire.was !== null && hire.was !== unit.tag ? SHUFFLE.value : 0) +
    LIFE_LEFT.value * Math.min(left, LONG_LIFE)
  );
}

/**
 * Which unit each hire of a class is given, so that all together weigh least: none without a unit that can have one, no service that runs
 * out, nothing unsure, little shuffled, long lives kept. In: hires and units of one class. Out: a line a hire, by their beginning. Exact by
 * branch and bound where it ends within 200,000 tries, which some 20 hires do; else the best so far.
 * Example: two hires, one fit unit, not at the same time: both are given it.
 */
export function assignHires(hires: readonly ClassHire[], units: readonly ClassUnit[]): Given[] {
  const inOrder = [...hires].sort((a, b) => a.from - b.from || a.reference.localeCompare(b.reference));
  const options = inOrder.map((hire) =>
    units
      .filter((unit) => canTake(unit, hire))
      .map((unit) => ({ unit, weight: weightOf(hire, unit) }))
      .sort((a, b) => a.weight - b.weight || a.unit.tag.localeCompare(b.unit.tag)),
  );
  const least = leastFrom(options.map((all) => all[0]?.weight ?? NOT_COVERED.value));
  let best = { weight: Infinity, tags: [] as readonly (string | null)[] };
  let tries = 0;
  const search = (at: number, weight: number, tags: readonly (string | null)[]): void => {
    if (weight + (least[at] ?? 0) >= best.weight || tries++ > MOST_TRIES) return;
    const hire = inOrder[at];
    if (hire === undefined) {
      best = { weight, tags };
      return;
    }
    const isFree = (tag: string): boolean =>
      !tags.some((other, nth) => other === tag && overlaps(spanOf(inOrder[nth]), spanOf(hire)));
    for (const { unit, weight: more } of options[at] ?? [])
      if (isFree(unit.tag)) search(at + 1, weight + more, [...tags, unit.tag]);
    search(at + 1, weight + NOT_COVERED.value, [...tags, null]);
  };
  search(0, 0, []);
  return inOrder.map((hire, at): Given => {
    const tag = best.tags[at] ?? null;
    const unit = units.find((one) => one.tag === tag);
    return { reference: hire.reference, tag, overruns: unit !== undefined && unit.dueAt < hire.to };
  });
}

const spanOf = (hire: ClassHire | undefined): Stretch => [hire?.from ?? 0, hire?.to ?? 0];

/** From each place on, the least that all behind it can weigh. */
function leastFrom(weights: readonly number[]): number[] {
  const sums = [0];
  for (const weight of [...weights].reverse()) sums.unshift((sums[0] ?? 0) + weight);
  return sums;
}

/** What would cover a hire that no unit can be given. */
export interface Help {
  /** A unit that is free then and would be ready if its visit came first. */
  readonly visit: string | null;
  /** A hire that is promised one unit and could go with another, so that this one is free. */
  readonly swap: { readonly reference: string; readonly from: string; readonly to: string } | null;
}

export interface OwnHire {
  readonly reference: string;
  readonly tag: string;
  readonly from: Minute;
  readonly to: Minute;
}

/**
 * The nearest help for a hire that is not covered. In: the hire, units with what else they are given, when each could be ready at the
 * soonest, hires that are promised a unit of their own. Out: a visit, a swap, both or neither.
 */
export function helpFor(
  hire: ClassHire,
  units: readonly ClassUnit[],
  soonest: ReadonlyMap<string, Minute>,
  own: readonly OwnHire[],
): Help {
  const early = units
    .filter((unit) => canTake({ ...unit, readyAt: soonest.get(unit.tag) ?? unit.readyAt }, hire))
    .sort((a, b) => (soonest.get(a.tag) ?? Infinity) - (soonest.get(b.tag) ?? Infinity));
  for (const promised of own) {
    const unit = units.find(({ tag }) => tag === promised.tag);
    if (unit === undefined) continue;
    const without = unit.taken.filter(([from, to]) => from !== promised.from || to !== promised.to);
    const other = units.find((one) => one.tag !== unit.tag && canTake(one, promised));
    if (other && canTake({ ...unit, taken: without }, hire))
      return {
        visit: early[0]?.tag ?? null,
        swap: { reference: promised.reference, from: unit.tag, to: other.tag },
      };
  }
  return { visit: early[0]?.tag ?? null, swap: null };
}
