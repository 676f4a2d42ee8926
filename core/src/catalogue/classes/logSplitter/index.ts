import type { ClassFolder } from '../../shapes';
import { CLASS } from './class';
import { DRAWING } from './drawing';
import { MONEY } from './money';
import { PROOF } from './proof';
import { SIMULATION } from './simulation';

export const logSplitter: ClassFolder = {
  machineClass: CLASS,
  proof: PROOF,
  rated: { cycle: 13, pressure: 190, 'top-speed': 3600 },
  money: MONEY,
  simulation: SIMULATION,
  drawing: DRAWING,
};
