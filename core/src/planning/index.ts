export type {
  BenchAsked,
  BenchPlan,
  Minute,
  Phase,
  PlannedPhase,
  PlannedVisit,
  PlanVisit,
  SeenPlace,
  Stretch,
  Technician,
} from './shapes';
export { planBench } from './planBench';
export { EIGHT_IN_TEN, promisesOf, normalOf, type Promised } from './promises';
export { adviceOf, soonestDone, type Advice } from './adviceOf';
export { tryMove, type MoveAsked, type MoveOutcome } from './tryMove';
export { durationOf, type Duration } from './durations';
export type { Search } from './improve';
export type { Random } from './moves';
export { chainOf, type NamedPhase, type Wait, type Work } from './chainOf';
export { changesOf, type PlanChange, type Seen } from './changesOf';
