export { Frame } from './Frame';
export { ScreenBoundary } from './ScreenBoundary';
