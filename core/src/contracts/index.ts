export * from './failures';
export type { FailureFacts } from './failureFacts';
export { ANYONE_SIGNED_IN, DESK, HANDS_OUT, LEAD_ONLY, ROLES, SIGNS_OFF, WORKS_ON_UNITS, type Role } from '../fields';
export { OPERATIONS, type Operation } from './operations';
export { AT_ONCE, ROUTES, type AtOnceId, type ChangeId, type OperationId } from './routes';
export { newPin, type Access } from './access';
export { REGULAR_TASKS, TROUBLES, type RegularTask, type Status, type Trouble } from './status';
export type { BenchReply, SearchReply, WeekStretch, WorkingHours } from './bench';
export type { CardReply, ClockLine, Comeback, PartLine, WaysReply } from './card';
export type { FindingRecord, LearnedReply } from './finding';
export {
  EMPTY_SHEET,
  enteredSheet,
  sheetCapacity,
  sheetMeasure,
  sheetNote,
  sheetOil,
  sheetPart,
  sheetTorque,
  type DataSheet,
  type Measured,
  type SheetMeasure,
  type SheetPart,
  type SheetTorque,
  type StandingNote,
  type UnitPart,
  type UnitSheet,
} from './sheet';
export { ownPlan } from './service';
export type { FleetService, ModelPlan, ServiceItemState, UnitService } from './service';
export { newFleetUnit, newHire, newModel, newUnit } from './fleet';
export type {
  Defect,
  FleetReport,
  HireLine,
  ImportReport,
  JobLine,
  UnitLine,
  UnitPage,
  UnitsReply,
  Unproved,
} from './fleet';
export type { FuelLevel, FuelStore, UnitFuel } from './fuel';
export type { LayUpReply, SeasonSheet } from './layUp';
export type { EquipmentReply, FromAfar } from './equipment';
export type { CalendarHire, CalendarUnit, DeskReply, HireCalendar, TroubleReply } from './hires';
export type { CheckIn, Opening, Shift, ShiftLine } from './inspection';
export type { Change, LogRecord, SentLogEntry } from './log';
export { newPart } from './parts';
export type { ExchangePart, OrderLine, OrdersReply, Part, PartsReply, Quote, ReorderReply } from './parts';
export { newPerson, type Person, type Settings, type SignInOptions, type ZoneShift } from './people';
