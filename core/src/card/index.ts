export {
  changeStep,
  clockEnd,
  EMPTY_CARD,
  listSteps,
  startWork,
  stopWork,
  workedMinutes,
  type Card,
  type CardClock,
  type CardPhoto,
  type CardReading,
  type CardStep,
  type ListedStep,
  type Measure,
} from './card';
export { JOB_STATES, OPEN_JOB_STATES, type JobState } from './jobStates';
export { standingOf, VISIT_STATES, type Standing, type VisitState } from './visitStates';
export { stepsFor, type StepSources } from './stepsFor';
