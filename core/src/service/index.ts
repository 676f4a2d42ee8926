export { groupVisits } from './groupVisits';
export { engineOilDue, fallsDueIn, intervalDays, itemState, type Moment } from './itemState';
export { runsOutDuring } from './runsOut';
export { doneByJob, doneBySteps, itemsWithJobs } from './doneBySteps';
export { SHARE_OUT, shareOnHire } from './shareOnHire';
export { HIRE_DAYS } from './whenReached';
