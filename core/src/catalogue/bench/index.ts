export { CLOCK_IDS, CLOCKS, type ClockId } from './clocks';
export { CAME_AFTER, CAME_AND_WENT, EVERY_PROOF, PROOFS, proofOf } from './proofs';
export {
  CARD_EDITION,
  CLOCK_OF_FAMILY,
  READING_OF_FAMILY,
  STEPS_OF_KIND,
  STEPS_OF_WORK,
  TEARDOWN_OF_SET_UP,
} from './steps';
export { TEARDOWN_IDS, TEARDOWNS, type TeardownId } from './teardowns';
export { LOOK_BEFORE_QUOTE, MONEY, RISKS, STATES_FOUND, type RiskId, type StateFound } from './ways';
export { LIVE_EFFECTS, LIVE_RPM, LIVE_UNITS, type LiveChannel, type LiveEffect } from './liveUnits';
