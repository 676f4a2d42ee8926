export { DEFECT_ENDS, sayCloser, type DefectEnd } from './closers';
export {
  DEFECT_ORIGINS,
  DEFECT_WEIGHTS,
  defectsOf,
  heavier,
  inOrderOfWeight,
  NOT_LOOKED_AT,
  type DefectOrigin,
  type DefectWeight,
  type FoundDefect,
} from './defectsOf';
