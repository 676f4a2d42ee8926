export {
  LEAST_SEVERITY,
  planOf,
  USUAL_PLAN,
  wrongOfPlan,
  type OwnItem,
  type OwnPlan,
  type PlanWrong,
  type UnitPlan,
} from './planOf';
export { COLDEST_STARTS, coldestWithin, fluidFor, type FluidFor, type FluidSheet } from './fluidFor';
export { groupVisits } from './groupVisits';
export { dueAtHours, expectedIn, fallsDueIn, intervalDays, itemState, type Moment } from './itemState';
export { onHire, runsOutDuring } from './runsOut';
export { doneBySteps, itemsWithJobs } from './doneBySteps';
export { SHARE_OUT, shareOnHire } from './shareOnHire';
export { HIRE_DAYS } from './whenReached';
