import { WORKS_ON_UNITS, object, id } from '../../fields';
import { takeOffAgain } from '../../teardown';
import { mustNotBeOff } from '../refusals';
import { logKind, telling, type Names } from '../shape';

/** What was back comes off again. */
export const takenOffAgain = logKind({
  kind: 'taken-off-again',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ thingId: id.required() }),
  card: {
    refusal: mustNotBeOff,
    change: (card, { facts }) => ({ ...card, ledger: takeOffAgain(card.ledger, facts.thingId) }),
  },
  sentence: (_, { what }: Names) => telling(`Taken off again: ${what ?? 'a thing'}`),
});
