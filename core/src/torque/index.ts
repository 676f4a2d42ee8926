export { centreOf, isPlainRing, neighboursOf, tighteningPattern, type BoltPlace } from './tighteningPattern';
export { torqueRounds, type TorqueRounds } from './torqueSteps';
