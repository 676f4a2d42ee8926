import type { ClassFolder } from '../../shapes';
import { CLASS } from './class';
import { DRAWING } from './drawing';
import { MONEY } from './money';
import { PROOF } from './proof';
import { SIMULATION } from './simulation';

export const welder: ClassFolder = {
  machineClass: CLASS,
  proof: PROOF,
  rated: { 'open-circuit': 72, 'low-amperes': 85, 'high-amperes': 165, duty: 60 },
  money: MONEY,
  simulation: SIMULATION,
  drawing: DRAWING,
};
