import { WORKS_ON_UNITS } from '../../fields';
import { takeOff } from '../../teardown';
import { thing } from '../schemas';
import { logKind, telling } from '../shape';

/** A thing comes off: where it lies, and how it sat. */
export const takenOff = logKind({
  kind: 'taken-off',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: thing,
  card: { change: (card, { facts, jobId }) => ({ ...card, ledger: takeOff(card.ledger, facts, jobId ?? null) }) },
  sentence: ({ what, tray, place }) => telling(`Taken off: ${what}`, `Tray ${tray}, ${place}`),
});
