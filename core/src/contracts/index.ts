export * from './failures';
export * from './roles';
export { OPERATIONS, type Operation, type OperationId } from './operations';
export {
  newCheckIn,
  newCheckOut,
  type CheckIn,
  type CheckOut,
  type NewCheckIn,
  type NewCheckOut,
  type Opening,
  type Shift,
  type ShiftLine,
} from './inspection';
export type { CardReply, ClockLine, Comeback, NewCardEntryBody, PartLine, WaysReply } from './card';
export { newCardEntry, PART_STATES, RISK_IDS } from './card';
export { newPart } from './parts';
export type { ExchangePart, OrderLine, OrdersReply, Part, PartsReply, Quote } from './parts';
export type { FindingEntry, FindingRecord, LearnedReply, NewEntry } from './finding';
export {
  newModel,
  newUnit,
  newHire,
  type HireLine,
  type HistoryRecord,
  type ImportReport,
  type JobLine,
  type UnitLine,
  type UnitPage,
  type UnitsReply,
} from './fleet';
export { newPerson, type SignInOptions as Door, type Person } from './people';
