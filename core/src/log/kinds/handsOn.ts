import { startWork } from '../../card';
import { WORKS_ON_UNITS } from '../../fields';
import { nothing } from '../schemas';
import { logKind, telling } from '../shape';

/** A person begins to work on it: their time counts. */
export const handsOn = logKind({
  kind: 'hands-on',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: nothing,
  card: { change: (card, { by, at }) => startWork(card, by, at) },
  sentence: () => telling('Hands-on time started'),
});
