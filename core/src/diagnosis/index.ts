export { Belief, type Sets } from './Belief';
export { likelihoodAmongOthers, likelihoodOf, type Likelihood } from './likelihood';
export { compileModel, PRIOR_WORTH, type Knowledge, type Learned, type Model } from './compileModel';
export type { CompiledObservation } from './compiled';
export {
  diagnose,
  NOTHING_WRONG,
  outcomesOf,
  type EstablishedFault,
  type Diagnosis,
  type Evidence,
  type LaneState,
  type Suspect,
} from './diagnose';
export { asList, Finding, type Chapter, type Seen, type Showing } from './Finding';
export { engineFamily, shareOf, strainsOf, type Machine, type TraitShares } from './machine';
export { explainingSetsOf, type ExplainingSets } from './explainingSets';
export { Planner } from './Planner';
export type { Choice, Step } from './steps';
export { COSTS, Prices, type Workplace, type Costs } from './Prices';
export { CASE_FORMAT, nearest, readCase, writeCase, type Band, type Case, type CaseProblem } from './caseFile';
export { warningsOf, type Warning } from './warnings';
export { sayCaseProblem, sayWarning } from './sayWarning';
export {
  byAdvice,
  byPlan,
  bySchool,
  follow,
  minutesBySchool,
  timeLeft,
  type Followed,
  type TimeLeft,
  type Trouble,
  type Way,
} from './follow';
export { drawSet, drawShowing, drawSpeakers, SimulatedRun, type Random } from './SimulatedRun';
export { drawTrouble, type Drawn } from './draw';
export type { Enough } from './enough';
export { seeded } from './seeded';
export { waysToPutRight, type PutRight } from './putRight';
export { rivalRepairs } from './rivalRepairs';
export { lessonsOf, type Lesson, type ProvenCase } from './lessons';
export { taughtOdds, type TaughtFault, type TaughtLink } from './taughtOdds';
export { behindOf, type Behind } from './behind';
