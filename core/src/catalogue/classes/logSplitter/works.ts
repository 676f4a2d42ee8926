import { JUDGEMENT, worksOf } from '../../shapes';

/** What is done about what is found on this class, beside what every engine may want. */
export const WORK = worksOf(JUDGEMENT, {
  'hydraulic-hose': ['repair', 'Hydraulic hose', 40],
  'top-up-fluid': ['prep', 'Top up; find where it went', 15],
  'suction-side-fluid': ['repair', 'Suction side and fluid', 40],
  'control-lever-valve': ['repair', 'Control lever and valve', 40],
  'tighten-wedge-end-plate': ['prep', 'Tighten wedge and end plate', 15],
  'weld-repair': ['repair', 'Weld repair by a qualified welder, or scrap', 120],
  'grease-beam': ['prep', 'Grease the beam', 5],
  'coupler-chains': ['repair', 'Coupler and chains', 40],
  'tyre-pressure': ['prep', 'Pump up; look for the leak', 15],
  'new-tyre': ['repair', 'New tyre', 40],
});
