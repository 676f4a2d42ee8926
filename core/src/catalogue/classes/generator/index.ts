import type { ClassFolder } from '../../shapes';
import { CLASS } from './class';
import { DRAWING } from './drawing';
import { MONEY } from './money';
import { PROOF } from './proof';
import { SIMULATION } from './simulation';

export const generator: ClassFolder = {
  machineClass: CLASS,
  proof: PROOF,
  rated: { hertz: 60, volts: 120, governor: 'mechanical' },
  money: MONEY,
  simulation: SIMULATION,
  drawing: DRAWING,
};
