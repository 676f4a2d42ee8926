export { MoreScreen } from './MoreScreen';
export { PeopleScreen } from './PeopleScreen';
export { SettingsScreen } from './SettingsScreen';
