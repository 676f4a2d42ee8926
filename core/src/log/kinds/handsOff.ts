import { stopWork } from '../../card';
import { WORKS_ON_UNITS } from '../../fields';
import { nothing } from '../schemas';
import { logKind, telling } from '../shape';

/** A person stops working on it. */
export const handsOff = logKind({
  kind: 'hands-off',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: nothing,
  card: { change: (card, { by, at }) => stopWork(card, by, at) },
  sentence: () => telling('Hands-on time stopped'),
});
