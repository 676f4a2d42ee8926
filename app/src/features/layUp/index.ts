export { LaidUpSheet } from './LaidUpSheet';
export { LayUpScreen } from './LayUpScreen';
export { WakeOfUnit } from './WakeOfUnit';
