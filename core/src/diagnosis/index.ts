export { Belief, likelihoodAmongOthers, likelihoodOf, type Likelihood, type Sets } from './Belief';
export {
  compileModel,
  PRIOR_WORTH,
  type CompiledObservation,
  type Knowledge,
  type Learned,
  type Model,
} from './compileModel';
export {
  diagnose,
  NOTHING_WRONG,
  outcomesOf,
  type Conflict,
  type Diagnosis,
  type Evidence,
  type LaneState,
  type Suspect,
} from './diagnose';
export { asList, Finding, type Chapter, type Seen, type Showing } from './Finding';
export { engineFamily, shareOf, strainsOf, type Machine, type TraitShares } from './machine';
export { explainingSetsOf, type ExplainingSets } from './explainingSets';
export { Planner, type Step } from './Planner';
export { COSTS, Prices, type Workplace, type Costs } from './Prices';
export { CASE_FORMAT, nearest, readCase, writeCase, type Band, type Case, type CaseProblem } from './caseFile';
export { warningsOf, type Warning } from './warnings';
export { sayCaseProblem, sayWarning } from './sayWarning';
export {
  byAdvice,
  bySchool,
  follow,
  minutesBySchool,
  type Choice,
  type Followed,
  type Trouble,
  type Way,
} from './follow';
export { drawSet, drawShowing, drawSpeakers, SimulatedRun, type Random } from './SimulatedRun';
export { drawTrouble, type Drawn } from './draw';
