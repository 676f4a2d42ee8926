export { CLOCKS } from './clocks';
export { CAME_AFTER, CAME_AND_WENT, PROOF_LOOKS, PROOF_NEEDS_OF } from './proofs';
export {
  CLOCK_OF_FAMILY,
  READING_OF_FAMILY,
  STEPS_OF_KIND,
  STEPS_OF_WORK,
  stepsOfService,
  TEARDOWN_OF_SET_UP,
} from './steps';
export { RATINGS } from './ratings';
export { TEARDOWNS } from './teardowns';
export { LOOK_BEFORE_QUOTE, MONEY, RISKS, STATES_FOUND, type RiskId, type StateFound, WAY_IDS, WAYS } from './money';
export { LIVE_EFFECTS } from './simulation';
