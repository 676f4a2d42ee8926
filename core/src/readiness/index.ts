export { coverHires, type BookedHire, type Shortfall, type UnitOnYard } from './coverHires';
export { byNeed, neededAt } from './neededAt';
export { fallsDue } from './fallsDue';
export { mayGoOut, type GoingOut } from './mayGoOut';
export {
  READINESS,
  readinessOf,
  type OpenDefect,
  type Readiness,
  type ReadinessFacts,
  type ReadinessVerdict,
} from './readinessOf';
