import { JUDGEMENT, type Threshold } from '../catalogue/shapes';

/** One item ahead, on its own. */
export interface Ahead {
  readonly id: string;
  /** Days from now on which it falls due, 0 or more. */
  readonly dueIn: number;
  /** Days that its interval lasts, more than 0. */
  readonly interval: number;
  readonly minutes: number;
  /** What its parts cost, as minutes at the bench. */
  readonly partsMinutes?: number;
}

interface PlannedVisit {
  /** Days from now. */
  readonly inDays: number;
  readonly ids: readonly string[];
}

export interface Grouping {
  readonly visits: readonly PlannedVisit[];
  /** Minutes, all told: set-up, life thrown away, lateness. */
  readonly cost: number;
  /** Minutes that doing each by itself on its day would cost more. */
  readonly saved: number;
}

export const VISIT_MINUTES: Threshold = {
  name: 'To the bench, cleaned, opened and back costs',
  value: 20,
  unit: 'min a visit',
  source: JUDGEMENT,
};

export const LATE_MINUTES: Threshold = {
  name: 'A service that is late costs',
  value: 5,
  unit: 'min a day',
  source: JUDGEMENT,
};

/**
 * Which items to do together, and when: the cheapest set of visits, each item's next turn once. An item done before its day throws away that
 * share of its minutes and its parts; one done after it is late. In: items (at most a few dozen), whether a visit is open now anyway (its set-up is paid).
 * Out: visits in order; what they cost and save, minutes.
 * Exact: a visit that is worth making is worth making today or on a day on which something falls due; between two visits each item goes to the
 * cheaper of them, so the best set is a shortest path over the days (dynamic programming; Wagner & Whitin 1958 for the form).
 */
export function groupVisits(items: readonly Ahead[], isOpenNow: boolean): Grouping {
  if (items.length === 0) return { visits: [], cost: 0, saved: 0 };
  const days = [...new Set([0, ...items.map(({ dueIn }) => dueIn)])].sort((a, b) => a - b);
  // best[i]: the cheapest way in which the last visit so far is on day i and all that falls due before it is given to a visit.
  const best = days.map((day, i) => ({
    cost: visitCost(day, isOpenNow) + between(items, undefined, day),
    from: -1,
    i,
  }));
  for (const to of best)
    for (const from of best.slice(0, to.i)) {
      const day = days[to.i] ?? 0;
      const cost = from.cost + visitCost(day, isOpenNow) + between(items, days[from.i], day);
      if (cost < to.cost) Object.assign(to, { cost, from: from.i });
    }
  const ends = best.map((one) => one.cost + between(items, days[one.i], undefined));
  const cost = Math.min(...ends);
  const chosen: number[] = [];
  for (let i = ends.indexOf(cost); i >= 0; i = best[i]?.from ?? -1) chosen.unshift(days[i] ?? 0);
  const alone = items.reduce((sum, { dueIn }) => sum + visitCost(dueIn, isOpenNow), 0);
  return { visits: visitsOn(chosen, items), cost, saved: Math.max(alone - cost, 0) };
}

const visitCost = (day: number, isOpenNow: boolean): number => (isOpenNow && day === 0 ? 0 : VISIT_MINUTES.value);

/** What it costs to do an item on a day: life thrown away before its due day, lateness after it. */
const costOn = ({ dueIn, interval, minutes, partsMinutes = 0 }: Ahead, day: number): number =>
  day <= dueIn
    ? ((minutes + partsMinutes) * Math.min(dueIn - day, interval)) / interval
    : LATE_MINUTES.value * (day - dueIn);

/** What the items between two visits cost that fall due from the first on and before the second; one of the two may be missing. */
function between(items: readonly Ahead[], first: number | undefined, second: number | undefined): number {
  return items
    .filter(({ dueIn }) => dueIn >= (first ?? 0) && (second === undefined || dueIn < second))
    .reduce((sum, item) => sum + cheaper(item, first, second).cost, 0);
}

function cheaper(item: Ahead, first: number | undefined, second: number | undefined) {
  const early = first === undefined ? Infinity : costOn(item, first);
  const late = second === undefined ? Infinity : costOn(item, second);
  return early <= late ? { cost: early, day: first } : { cost: late, day: second };
}

function visitsOn(days: readonly number[], items: readonly Ahead[]): PlannedVisit[] {
  const dayOf = (item: Ahead): number | undefined =>
    cheaper(
      item,
      days.findLast((day) => day <= item.dueIn),
      days.find((day) => day > item.dueIn),
    ).day;
  return days
    .map((inDays) => ({ inDays, ids: items.filter((item) => dayOf(item) === inDays).map(({ id }) => id) }))
    .filter(({ ids }) => ids.length > 0);
}
