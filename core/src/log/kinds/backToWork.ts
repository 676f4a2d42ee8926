import { WORKS_ON_UNITS, object, text } from '../../fields';
import { logKind, telling } from '../shape';

/** The proof is broken off: there is more to do. */
export const backToWork = logKind({
  kind: 'back-to-work',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ why: text.defined() }),
  card: { change: (card) => ({ ...card, signatureAsked: null }), visitState: () => 'open' },
  sentence: (facts) => telling('Proof stopped, back to the work', facts.why),
});
