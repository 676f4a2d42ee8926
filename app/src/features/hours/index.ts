export { HoursScreen } from './HoursScreen';
export { WeekForm } from './WeekForm';
