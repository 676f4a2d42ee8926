import { JUDGEMENT, worksOf } from '../../shapes';

/** What is done about what is found on this class, beside what every engine may want. */
export const WORK = worksOf(JUDGEMENT, {
  'new-socket': ['repair', 'New socket', 30],
  'earth-terminal': ['repair', 'Earth terminal', 15],
  'set-breaker-run-on-load': ['prep', 'Set the breaker and run on load', 15],
  'new-breaker': ['repair', 'New breaker', 40],
  'set-governed-speed': ['prep', 'Set the governed speed', 15],
  'governor-speed': ['repair', 'Governor and speed', 40],
  'clean-tighten-terminals': ['prep', 'Clean and tighten the terminals', 15],
  'charge-test-battery': ['prep', 'Charge and test the battery', 15],
  'frame-feet-wheels': ['prep', 'Frame, feet or wheels', 15],
});
