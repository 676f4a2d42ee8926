export {
  DEFECT_ENDS,
  endsByLook,
  LOOK_ENDS,
  lookRefusal,
  sayCloser,
  SECOND_FOR,
  secondFor,
  type DefectEnd,
  type LookEnd,
  type LookRefusal,
} from './closers';
export { explainedBy } from './explainedBy';
export { asksProof, remedyOf } from './remedyOf';
export {
  DEFECT_ORIGINS,
  DEFECT_WEIGHTS,
  defectsOf,
  heavier,
  inOrderOfWeight,
  HOURS_NOT_READ,
  NEVER_LOOKED_AT,
  NOT_LOOKED_AT,
  NOT_POSSIBLE,
  type DefectOrigin,
  type DefectWeight,
  type FoundDefect,
  type LimitsInForce,
} from './defectsOf';
