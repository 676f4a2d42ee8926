export { JobRow } from './JobRow';
export { LabelScreen } from './LabelScreen';
export { UnitScreen } from './UnitScreen';
