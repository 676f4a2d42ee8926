export { droopOf, governorClassOf } from './droop';
export { proofOfEntries, type Proof, type ProofSetting, type ShownReading } from './proofOfEntries';
export { minutesWanted, type Complaint } from './minutesWanted';
export { isComeback } from './isComeback';
