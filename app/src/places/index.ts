import { placeOf } from './placeOf';

/** Units, their inspection, their faults, their cards. */
export const inWorkshop = placeOf(() => import('./workshop'));
/** Lists, hires, people, settings. */
export const inOffice = placeOf(() => import('./office'));
