export { ShiftScreen } from './ShiftScreen';
