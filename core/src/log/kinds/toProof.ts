import { WORKS_ON_UNITS } from '../../fields';
import { nothingOff } from '../refusals';
import { nothing } from '../schemas';
import { logKind, telling } from '../shape';

/** The work is done; now it is proved. */
export const toProof = logKind({
  kind: 'to-proof',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: nothing,
  card: { refusal: nothingOff, visitState: () => 'to-prove' },
  sentence: () => telling('Proof started'),
});
