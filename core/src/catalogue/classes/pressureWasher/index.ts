import type { ClassFolder } from '../../shapes';
import { CLASS } from './class';
import { DRAWING } from './drawing';
import { MONEY } from './money';
import { PROOF } from './proof';
import { SIMULATION } from './simulation';

export const pressureWasher: ClassFolder = {
  machineClass: CLASS,
  proof: PROOF,
  rated: { flow: 11.5, pressure: 165, 'top-speed': 3600 },
  money: MONEY,
  simulation: SIMULATION,
  drawing: DRAWING,
};
