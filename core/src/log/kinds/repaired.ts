import { WORKS_ON_UNITS, object } from '../../fields';
import { logKind, telling } from '../shape';
import { faultName } from '../observed';
import { faultId } from '../schemas';

/** Something was put right and did not cure it. */
export const repaired = logKind({
  kind: 'repaired',
  on: 'finding',
  who: WORKS_ON_UNITS,
  facts: object({ fault: faultId.required() }),
  finding: ({ fault }) => ({ kind: 'repaired', fault }),
  sentence: ({ fault }) => telling(`Repaired, but the trouble was still there: ${faultName(fault).toLowerCase()}`),
});
