export { ClockStrip, ClockTray } from './ClockStrip';
export { sayLeft, useServerNow } from './sayLeft';
