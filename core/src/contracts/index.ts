export * from './failures';
export * from './roles';
export { OPERATIONS, type Operation, type OperationId } from './operations';
export { newCheckIn, newCheckOut, type CheckIn, type CheckOut, type NewCheckIn, type NewCheckOut, type Opening, type Shift, type ShiftLine } from './inspection';
export type { FindingEntry, FindingRecord, LearnedReply, NewEntry } from './finding';
export { newModel, newUnit, newHire, type HireLine, type HistoryRecord, type ImportReport, type JobLine, type UnitLine, type UnitPage, type UnitsReply } from './fleet';
export { newPerson, type Door, type Person } from './people';
