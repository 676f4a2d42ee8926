import { WORKS_ON_UNITS, machine, object } from '../../fields';
import { logKind, telling } from '../shape';

/** More is known of the engine and its past. */
export const machineDescribed = logKind({
  kind: 'machine-described',
  on: 'finding',
  who: WORKS_ON_UNITS,
  facts: object({ machine }),
  finding: () => ({ kind: 'nothing' }),
  sentence: () => telling('Engine and past described'),
});
