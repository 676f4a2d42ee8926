export { WaitingScreen } from './WaitingScreen';
