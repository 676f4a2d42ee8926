import { Bench, timesOf, type Order } from './Bench';
import type { Random } from './moves';
import type { BenchAsked, BenchPlan, Minute } from './shapes';

/** One number at random from the standard normal. */
export type Normal = () => number;

export interface Promised {
  readonly id: string;
  /** Of ten ways that it may go, in so many it is done in time, 0 to 1; null where nobody waits for it. */
  readonly inTime: number | null;
  /** In eight of ten ways it is done by then. */
  readonly eightInTen: Minute;
}

const DRAWS = 400;
/** So often a time holds that is promised. */
export const EIGHT_IN_TEN = 0.8;

/**
 * How sure a plan is: its work done again and again, in its order, each phase taking what it may take.
 * In: what was planned, the plan, randomness. Out: for each visit, how often it is in time, and by when it is done eight times in ten.
 * Source: simulation; phases are log-normal about their means.
 */
export function promisesOf(asked: BenchAsked, plan: BenchPlan, normal: Normal): Promised[] {
  const known = new Set(plan.visits.map(({ id }) => id));
  const visits = asked.visits.filter(({ id }) => known.has(id));
  const times = timesOf(asked);
  const runs = Array.from({ length: DRAWS }, () => drawRun({ ...asked, visits }, plan, normal, times));
  return visits.map((visit, at): Promised => {
    const done = runs.map((run) => run[at] ?? Infinity).sort((a, b) => a - b);
    const { dueAt } = visit;
    return {
      id: visit.id,
      inTime: dueAt === null ? null : done.filter((to) => to <= dueAt).length / DRAWS,
      eightInTen: done[Math.ceil(DRAWS * EIGHT_IN_TEN) - 1] ?? Infinity,
    };
  });
}

/** When each visit is done, one way that it may go. */
export function drawRun(asked: BenchAsked, plan: BenchPlan, normal: Normal, times = timesOf(asked)): readonly Minute[] {
  const drawn = asked.visits.map(({ phases }) =>
    phases.map(({ minutes, spread }) => minutes * Math.exp(spread * normal() - spread ** 2 / 2)),
  );
  const bench = new Bench(asked, (visit, phase) => drawn[visit]?.[phase] ?? 0, times);
  orderOn(bench, plan).forEach((own, who) => bench.reckon(who, own));
  return [...bench.done];
}

/** A plan's order as places of a bench. */
export function orderOn(bench: Bench, plan: Pick<BenchPlan, 'order'>): Order {
  const at = new Map(
    bench.pieces.map(({ visit, phaseId }, place) => [keyOf(bench.visits[visit]?.id ?? '', phaseId), place]),
  );
  return bench.names.map((name) =>
    (plan.order[name] ?? []).flatMap(({ visitId, phaseId }) => at.get(keyOf(visitId, phaseId)) ?? []),
  );
}

const keyOf = (visitId: string, phaseId: string): string => `${visitId} ${phaseId}`;

/** Standard normal numbers from even ones (Box and Muller 1958). */
export const normalOf =
  (random: Random): Normal =>
  () =>
    Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
