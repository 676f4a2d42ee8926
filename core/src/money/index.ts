export { reckonWays, type Risk, type Way, type WayAsked, type WayId, type Ways } from './reckonWays';
