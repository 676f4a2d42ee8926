import { JUDGEMENT, worksOf } from '../../shapes';

/** What is done about what is found on this class, beside what every engine may want. */
export const WORK = worksOf(JUDGEMENT, {
  'clean-inlet-screen': ['prep', 'Clean the inlet screen', 15],
  'new-inlet-washer': ['prep', 'New inlet washer', 15],
  'pump-seals': ['repair', 'Pump seals', 90],
  'top-up-pump-oil': ['prep', 'Top up the pump oil', 15],
  'look-at-pump-seals': ['prep', 'Look at the pump seals', 15],
  'open-pump-seals-valves': ['repair', 'Open the pump: seals and valves', 90],
  unloader: ['repair', 'Unloader', 40],
  'new-high-pressure-hose': ['repair', 'New high-pressure hose', 15],
  'new-gun': ['repair', 'New gun', 10],
  'new-nozzle': ['prep', 'New nozzle', 5],
  'clear-nozzle': ['prep', 'Clear the nozzle', 5],
  'wheel-handle-pin': ['prep', 'Wheel, handle or pin', 15],
});
