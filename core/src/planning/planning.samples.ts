import { seeded } from '../diagnosis';
import { planBench, type BenchAsked, type Phase, type PlanVisit, type Search, type Technician } from './index';

export const hands = (minutes: number, id = 'do'): Phase => ({ id, hands: true, minutes, spread: 0.35 });
export const wait = (minutes: number, id = 'wait'): Phase => ({ id, hands: false, minutes, spread: 0.1 });

export const visit = (id: string, phases: readonly Phase[], more: Partial<PlanVisit> = {}): PlanVisit => ({
  id,
  phases,
  releaseAt: 0,
  dueAt: null,
  centsPerMinuteLate: 0,
  centsPerMinuteWaiting: 1,
  who: ['ada'],
  inHand: false,
  pinnedAt: null,
  away: [],
  seen: null,
  ...more,
});
export const ada = (more: Partial<Technician> = {}): Technician => ({
  id: 'ada',
  shifts: [[0, 6000]],
  places: 9,
  ...more,
});
export const bench = (visits: readonly PlanVisit[], more: Partial<BenchAsked> = {}): BenchAsked => ({
  visits,
  technicians: [ada()],
  centsPerMove: 0,
  ...more,
});
/** So many looks at the clock, then the budget is spent. */
const looks = (count: number, seed = 1): Search => {
  let left = count;
  return { random: seeded(seed), spent: () => 1 - left-- / count };
};
export const plan = (asked: BenchAsked, count = 60) => planBench(asked, looks(count));
export const orderOf = (asked: BenchAsked, count = 60): string[] =>
  [...plan(asked, count).visits].sort((a, b) => a.from - b.from).map(({ id }) => id);
