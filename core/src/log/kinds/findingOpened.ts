import { WORKS_ON_UNITS, machine, object } from '../../fields';
import { logKind, telling } from '../shape';

/** Somebody begins to find a fault: what is looked at, as far as it is known. The id of the entry is the finding's. */
export const findingOpened = logKind({
  kind: 'finding-opened',
  on: 'unit',
  who: WORKS_ON_UNITS,
  facts: object({ machine }),
  sentence: () => telling('Started to find the fault'),
});
