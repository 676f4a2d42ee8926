import { JUDGEMENT, worksOf } from '../../shapes';

/** What is done about what is found on this class, beside what every engine may want. */
export const WORK = worksOf(JUDGEMENT, {
  'tine-guard': ['repair', 'Tine guard', 30],
  'clear-tines': ['prep', 'Clear the tines', 15],
  'new-tine': ['prep', 'New tine', 20],
  'new-shear-pin': ['prep', 'New shear pin', 15],
  'top-up-gearbox': ['prep', 'Top up the gearbox', 15],
  'open-gearbox': ['repair', 'Open the gearbox', 120],
  'belt-release': ['repair', 'Belt release', 40],
  'dead-man-lever-cable': ['repair', 'Dead-man lever and cable', 40],
  'new-belt': ['prep', 'New belt', 30],
  'belt-tension': ['repair', 'Belt and tension', 40],
  'wheel-pin-depth-bar': ['prep', 'Wheel, pin or depth bar', 15],
});
