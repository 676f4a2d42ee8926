export { HoursScreen } from './HoursScreen';
