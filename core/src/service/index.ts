export { groupVisits } from './groupVisits';
export { engineOilDue, fallsDueIn, intervalDays, itemState, type Moment } from './itemState';
export { runsOutDuring } from './runsOut';
export { withIncluded } from './withIncluded';
export { SHARE_OUT, shareOnHire } from './shareOnHire';
export { HIRE_DAYS } from './whenReached';
