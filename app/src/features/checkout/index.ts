export { CheckOutScreen } from './CheckOutScreen';
