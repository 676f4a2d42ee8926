import { TEARDOWN_IDS } from '../../catalogue/ids';
import { WORKS_ON_UNITS, object, string } from '../../fields';
import { logKind, telling } from '../shape';

/** One of the usual ways of taking apart is begun. */
export const teardownBegun = logKind({
  kind: 'teardown-begun',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ teardown: string().oneOf(TEARDOWN_IDS).required() }),
  card: {
    change: (card, { facts }) =>
      card.teardowns.includes(facts.teardown) ? card : { ...card, teardowns: [...card.teardowns, facts.teardown] },
  },
  sentence: ({ teardown }) => telling(`Taking apart: ${teardown.replaceAll('-', ' ')}`),
});
