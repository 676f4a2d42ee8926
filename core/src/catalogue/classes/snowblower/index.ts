import type { ClassFolder } from '../../shapes';
import { CLASS } from './class';
import { DRAWING } from './drawing';
import { MONEY } from './money';
import { PROOF } from './proof';
import { SIMULATION } from './simulation';

export const snowblower: ClassFolder = {
  machineClass: CLASS,
  proof: PROOF,
  rated: { 'top-speed': 3500 },
  money: MONEY,
  simulation: SIMULATION,
  drawing: DRAWING,
};
