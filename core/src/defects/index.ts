export { DEFECT_ENDS, lookRefusal, sayCloser, type DefectEnd, type LookRefusal } from './closers';
export { explainedBy } from './explainedBy';
export {
  DEFECT_ORIGINS,
  DEFECT_WEIGHTS,
  defectsOf,
  heavier,
  inOrderOfWeight,
  NEVER_LOOKED_AT,
  NOT_LOOKED_AT,
  NOT_POSSIBLE,
  type DefectOrigin,
  type DefectWeight,
  type FoundDefect,
} from './defectsOf';
