export { PartsScreen } from './PartsScreen';
