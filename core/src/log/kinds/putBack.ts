import { WORKS_ON_UNITS, object, id } from '../../fields';
import { changeThing } from '../../teardown';
import { mustBeOff } from '../refusals';
import { logKind, telling, type Names } from '../shape';

/** A thing is back where it was. */
export const putBack = logKind({
  kind: 'put-back',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ thingId: id.required() }),
  card: {
    refusal: mustBeOff,
    change: (card, { facts }) => ({
      ...card,
      ledger: changeThing(card.ledger, facts.thingId, (before) => ({ ...before, state: 'back', by: null })),
    }),
  },
  sentence: (_, { what }: Names) => telling(`Back on: ${what ?? 'a thing'}`),
});
