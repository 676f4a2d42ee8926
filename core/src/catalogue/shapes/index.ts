export { CONSEQUENCES, worksOf, JOB_KINDS } from './check';
export type { Check, Consequence, Exception, JobKind, Limit, Measured, RaisedWork, Station } from './check';
export type { ClassFolder, ClassMoney, Drawing } from './classFolder';
export { COMPLAINT_GROUPS, FACTS } from './finding';
export type { Complaint, ComplaintGroup, Condition, DerivedFinding, FactName } from './finding';
export type {
  CautionId,
  ClassId,
  ClockId,
  FaultId,
  ObservationId,
  OutcomeOf,
  SetUpId,
  Shown,
  Shows,
  TeardownId,
  ToolId,
} from './ids';
export type { Accessory, MachineClass } from './machineClass';
export { GOVERNORS, RATING_IDS } from './ratings';
export type { Governor, Rated, RatingId } from './ratings';
export type { LiveEffect, SimulatedUnit } from './simulation';
export { COMMON_PRACTICE, fromMemory, JUDGEMENT, judgement, own, published, saySource, shortSource } from './source';
export type { OwnSource, Source, Threshold } from './source';
export type { UseRate } from './useRate';
export { ENGINE_TRAITS, FUEL_BLENDS, KEPT, STORED, STRAINS, TRUTHS } from './engine';
export type { Applies, Engine, EngineTrait, Past, Strain, Truth } from './engine';
export { LANES } from './fault';
export type { AnyFault, Brings, Fault, FaultEntries, Lane, Repair, School } from './fault';
export { READING_KINDS } from './observation';
export type {
  AnyObservation,
  Observation,
  ObservationEntries,
  OutcomeEntry,
  ReadingKind,
  SameFact,
  SeenAs,
  ComesOff,
  SetUp,
  Tool,
} from './observation';
export type { Misleading, Standstill, TellsPast } from './warning';
export { SYSTEMS } from './system';
export type { System } from './system';
export { LOOK_TIMES, PROOF_NEEDS } from './workshop';
export type {
  ClockKind,
  Load,
  LookTime,
  NeedTables,
  ProofLook,
  ProofLooks,
  ProofNeed,
  ProofPlan,
  ProofReading,
  StepTemplate,
  Teardown,
  UsualThing,
} from './workshop';
export {
  SKILL_IDS,
  SKILLS,
  type Every,
  type FluidPlace,
  type ServiceItem,
  type ServicePlan,
  type SkillId,
} from './servicePlan';
