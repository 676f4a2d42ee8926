import { JUDGEMENT, worksOf } from '../../shapes';

/** What is done about what is found on this class, beside what every engine may want. */
export const WORK = worksOf(JUDGEMENT, {
  'welding-lead': ['repair', 'Welding lead', 40],
  'new-electrode-holder': ['repair', 'New electrode holder', 15],
  'new-ground-clamp': ['prep', 'New ground clamp', 15],
  'new-socket': ['repair', 'New socket', 30],
  'new-duty-rating-plate': ['prep', 'New duty-rating plate', 10],
  'idle-control': ['prep', 'Idle control', 15],
  'frame-wheel-lifting-eye': ['prep', 'Frame, wheel or lifting eye', 15],
  'clean-tighten-terminals': ['prep', 'Clean and tighten the terminals', 15],
});
