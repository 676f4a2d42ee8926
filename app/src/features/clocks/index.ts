export { ClockStrip, ClockTray } from './ClockStrip';
export { sayLeft, useDeviceNow } from './sayLeft';
