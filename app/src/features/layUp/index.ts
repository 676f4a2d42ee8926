export { LayUpScreen } from './LayUpScreen';
