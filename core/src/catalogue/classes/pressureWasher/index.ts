import type { ClassFolder } from '../../shapes';
import { CLASS } from './class';
import { DRAWING } from './drawing';
import { MONEY } from './money';
import { PROOF } from './proof';
import { SIMULATION } from './simulation';

export const pressureWasher: ClassFolder = {
  machineClass: CLASS,
  proof: PROOF,
  money: MONEY,
  simulation: SIMULATION,
  drawing: DRAWING,
};
