export { Frame } from './Frame';
export { HoldPage } from './HoldPage';
export { ScreenBoundary } from './ScreenBoundary';
