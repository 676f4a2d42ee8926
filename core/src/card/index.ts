export {
  cardOf,
  type Card,
  type CardClock,
  type CardPhoto,
  type CardStep,
  type Changed,
  type TakenReading,
} from './cardOf';
export type { CardEntry, CardEntryOf, CardFacts, CardKind, LaidStep, NewCardEntry, ThingFacts } from './entry';
export { refusalOf, type CardRefusal } from './refusalOf';
export { stepsFor, type StepSources } from './stepsFor';
export { JOB_STATES, OPEN_JOB_STATES as STANDING_STATES, stateAfter, type JobState } from './stateAfter';
