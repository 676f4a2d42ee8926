export { reckonWays, type Risk, type Way, type WayAsked, type WayId, type Ways } from './reckonWays';
export { rivalsOf, type Rival, type RivalAsked } from './rivals';
