export { sayRange } from './sayRange';
export { StandingNotes } from './StandingNotes';
export { UnitSheetFacts } from './UnitSheetFacts';
export { useUnitSheet } from './useUnitSheet';
