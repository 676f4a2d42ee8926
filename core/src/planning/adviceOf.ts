import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import { Bench } from './Bench';
import type { BenchAsked, BenchPlan, Minute, PlannedPhase, PlannedVisit, PlanVisit } from './shapes';

/** What a plan comes to in words, as facts. */
export type Advice =
  /** It will be late for its hire; whatever the order: even if it were the first. */
  | { readonly code: 'will-miss'; readonly id: string; readonly byMinutes: Minute; readonly whateverTheOrder: boolean }
  /** Its wait is begun at the end of the day and runs through the night. */
  | { readonly code: 'overnight'; readonly id: string; readonly phaseId: string; readonly at: Minute }
  /** While one waits by itself, the same hands do others. */
  | { readonly code: 'meanwhile'; readonly id: string; readonly phaseId: string; readonly others: readonly string[] }
  /** More work than shifts: so many minutes are left over, of these. */
  | { readonly code: 'too-much'; readonly minutes: Minute; readonly ids: readonly string[] }
  | { readonly code: 'nobody'; readonly ids: readonly string[] };

export const WORTH_SAYING: Threshold = {
  name: 'A wait at the bench of less is no news',
  value: 20,
  unit: 'min',
  source: JUDGEMENT,
};
export const NIGHT: Threshold = {
  name: 'A gap between shifts that is longer is no break',
  value: 300,
  unit: 'min',
  source: JUDGEMENT,
};

/** What is worth saying of a plan: what is missed first, then what runs by itself. */
export function adviceOf(asked: BenchAsked, plan: BenchPlan): Advice[] {
  return [...misses(asked, plan), ...tooMuch(plan), ...nobody(plan), ...ofWaits(asked, plan)];
}

function misses(asked: BenchAsked, plan: BenchPlan): Advice[] {
  return plan.visits
    .filter(({ lateMinutes }) => lateMinutes >= 1)
    .sort((a, b) => (dueOf(asked, a) ?? 0) - (dueOf(asked, b) ?? 0))
    .map(({ id, lateMinutes }): Advice => {
      const visit = asked.visits.find((one) => one.id === id);
      // Where a hand put it, no order is to blame.
      const soonest = visit === undefined ? Infinity : soonestDone(asked, { ...visit, pinnedAt: null });
      return { code: 'will-miss', id, byMinutes: lateMinutes, whateverTheOrder: soonest > (visit?.dueAt ?? Infinity) };
    });
}

const dueOf = (asked: BenchAsked, { id }: PlannedVisit): Minute | null =>
  asked.visits.find((visit) => visit.id === id)?.dueAt ?? null;

/** When a visit would be done if whoever may do it began with it. Out: minutes; Infinity where nobody may. */
export function soonestDone({ technicians, centsPerMove }: BenchAsked, visit: PlanVisit): Minute {
  const ways = technicians
    .filter(({ id }) => visit.who.includes(id) || !visit.phases.some(({ hands }) => hands))
    .map((technician) => {
      const bench = new Bench({ visits: [{ ...visit, seen: null }], technicians: [technician], centsPerMove });
      bench.reckon(0, [...bench.pieces.keys()]);
      return bench.done[0] ?? Infinity;
    });
  return Math.min(Infinity, ...ways);
}

const tooMuch = ({ beyond }: BenchPlan): Advice[] =>
  beyond.length === 0
    ? []
    : [
        {
          code: 'too-much',
          minutes: beyond.reduce((sum, { minutes }) => sum + minutes, 0),
          ids: beyond.map(({ id }) => id),
        },
      ];

const nobody = (plan: BenchPlan): Advice[] => (plan.nobody.length === 0 ? [] : [{ code: 'nobody', ids: plan.nobody }]);

function ofWaits(asked: BenchAsked, plan: BenchPlan): Advice[] {
  const outside = new Set(
    asked.visits.flatMap(({ id, phases }) => phases.filter((one) => one.isFromOutside).map((one) => `${id} ${one.id}`)),
  );
  const waits = plan.phases.filter(
    ({ visitId, phaseId, who, from, to }) =>
      who === null && to - from >= WORTH_SAYING.value && !outside.has(`${visitId} ${phaseId}`),
  );
  return waits
    .sort((a, b) => a.from - b.from)
    .flatMap((wait): Advice[] => {
      const who = plan.visits.find(({ id }) => id === wait.visitId)?.who;
      if (who == null) return [];
      const { visitId: id, phaseId } = wait;
      if (runsOverNight(asked, who, wait)) return [{ code: 'overnight', id, phaseId, at: wait.from }];
      const others = doneMeanwhile(plan, who, wait);
      return others.length === 0 ? [] : [{ code: 'meanwhile', id, phaseId, others }];
    });
}

/** More than half of it lies in one night, or in days off. */
function runsOverNight(asked: BenchAsked, who: string, { from, to }: PlannedPhase): boolean {
  const shifts = asked.technicians.find(({ id }) => id === who)?.shifts ?? [];
  return shifts.some(([, ends], at) => {
    const begins = shifts[at + 1]?.[0] ?? ends;
    return begins - ends >= NIGHT.value && Math.min(begins, to) - Math.max(ends, from) > (to - from) / 2;
  });
}

function doneMeanwhile(plan: BenchPlan, who: string, wait: PlannedPhase): string[] {
  const within = plan.phases.filter(
    (phase) => phase.who === who && phase.visitId !== wait.visitId && phase.from >= wait.from && phase.from < wait.to,
  );
  return [...new Set(within.map(({ visitId }) => visitId))];
}
