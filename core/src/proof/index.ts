export { bandOfHertz, classReached, droopOf, voltageDeviation, type ClassReached, type Departures } from './droop';
export { needsOf, unionOf } from './needs';
export { MINUTES_TO_SETTLE, tooSoon, type TooSoon } from './lookTimes';
export { entriesOfProof, proofOfEntries, type Proof } from './proofOfEntries';
export { proofSettingOf, safetyLooksOf, systemsOf, type ProofSetting } from './proofSetting';
export { readingsOf, verdictOf, type ShownReading } from './readingsOf';
export type { ProofEntry } from './runOf';
export { minutesWanted, type Complaint } from './minutesWanted';
export { COMEBACK_DAYS, COMEBACK_HOURS, isComeback } from './isComeback';
