export { dangersAtGate, sayAtGate, type AtGate } from './atGate';
export { cardOf, cardRefusal, visitStateAfter, namesOf } from './cardOf';
export { comesOffBy, observationsOf, setUpsOf, type Chapter, type Observed } from './observationsOf';
export {
  isLogKind,
  isOf,
  kindOf,
  LOG_KIND_IDS,
  tellEntry,
  type CardEntry,
  type CardKind,
  type Facts,
  type FindingEntry,
  type FindingKind,
  type KindId,
  type KindsOn,
  type LogEntry,
  type SentKind,
} from './entries';
export { slipsOf, systemsSaid, whatWasDone } from './proofRefusals';
export { newLogEntry, type NewLogEntry } from './newLogEntry';
export { NOTE_PLACES, partNumber, type NotePlace } from './schemas';
export { saySecond, type Witnessed } from './kinds/defects';
export {
  isCheckedIn,
  isCheckedOut,
  sayAside,
  sayLate,
  type Aside,
  type CheckedIn,
  type CheckedOut,
} from './kinds/returns';
export { BELIEVED_DAYS, lateBecause, momentOf, TIMINGS, type LateBecause, type Timing, type Turn } from './timing';
export type { CardRefusal, Entry, Names, Telling, Wording } from './shape';
export { faultName, observationName, outcomeName, outcomesFit, readingLine } from './observed';
