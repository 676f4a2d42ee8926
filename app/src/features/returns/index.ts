export { ReturnsScreen } from './ReturnsScreen';
