import { Bench } from './Bench';
import { planOf } from './planBench';
import { orderOn } from './promises';
import type { BenchAsked, BenchPlan, Minute } from './shapes';

export interface MoveAsked {
  readonly visitId: string;
  readonly who: string;
  /** When it is to be begun. */
  readonly at: Minute;
}

export interface MoveOutcome {
  readonly plan: BenchPlan;
  /** What the move costs, cents; below 0 it is a gain. */
  readonly cents: number;
  /** Visits that are late by it, or later. */
  readonly later: readonly { readonly id: string; readonly byMinutes: Minute }[];
}

/**
 * What a plan comes to when a visit is moved by hand and all else keeps its order. In: what was planned, the plan, the move. Out: the plan
 * as it would be, what that costs, and who is late by it. A visit or person that the plan does not know: null.
 * Example: before a visit that is due, by an hour too much: that one, late by an hour.
 */
export function tryMove(asked: BenchAsked, plan: BenchPlan, move: MoveAsked): MoveOutcome | null {
  const known = new Set(plan.visits.map(({ id }) => id));
  const { visitId, who, at } = move;
  const visits = asked.visits
    .filter(({ id }) => known.has(id))
    .map((visit) =>
      visit.id === visitId ? { ...visit, who: [who], pinnedAt: Math.max(at, 0), inHand: false } : visit,
    );
  const bench = new Bench({ ...asked, visits });
  const doer = bench.names.indexOf(who);
  const visit = visits.findIndex(({ id }) => id === visitId);
  if (doer < 0 || (bench.chains[visit]?.pieces ?? []).length === 0) return null;
  const order = orderOn(bench, plan).map((own) => own.filter((piece) => bench.pieces[piece]?.visit !== visit));
  order[doer] = putIn(bench, doer, order[doer] ?? [], visit);
  const moved = planOf(bench, order, plan.nobody);
  return {
    plan: { ...moved, beyond: [...plan.beyond, ...moved.beyond] },
    cents: moved.cents - plan.cents,
    later: laterThan(plan, moved),
  };
}

/** An order with a visit in it, each of its pieces before whatever begins when that piece can. */
function putIn(bench: Bench, who: number, order: readonly number[], visit: number): number[] {
  bench.reckon(who, [...order]);
  const chain = bench.chains[visit];
  const pieces = chain?.pieces ?? [];
  let ready = chain?.notBefore ?? 0;
  return pieces.reduce<number[]>(
    (own, piece) => {
      const place = own.findIndex((other) => bench.beginOf(who, other) >= ready && !pieces.includes(other));
      const put = place < 0 ? [...own, piece] : [...own.slice(0, place), piece, ...own.slice(place)];
      bench.reckon(who, put);
      ready = bench.endOf(who, piece) + (bench.pieces[piece + 1]?.waitBefore ?? 0);
      return put;
    },
    [...order],
  );
}

function laterThan(before: BenchPlan, after: BenchPlan): MoveOutcome['later'] {
  const was = new Map(before.visits.map(({ id, lateMinutes }) => [id, lateMinutes]));
  return after.visits
    .map(({ id, lateMinutes }) => ({ id, byMinutes: lateMinutes - (was.get(id) ?? 0) }))
    .filter(({ byMinutes }) => byMinutes >= 1);
}
