import { WORKS_ON_UNITS, object, id } from '../../fields';
import { changeThing } from '../../teardown';
import { mustBeOff } from '../refusals';
import { why } from '../schemas';
import { logKind, telling, type Names } from '../shape';

/** A thing need not go back, with a reason. */
export const struckOff = logKind({
  kind: 'struck-off',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ thingId: id.required(), why: why.required() }),
  card: {
    refusal: mustBeOff,
    change: (card, { facts }) => ({
      ...card,
      ledger: changeThing(card.ledger, facts.thingId, (before) => ({ ...before, state: 'struck-off', by: facts.why })),
    }),
  },
  sentence: (facts, { what }: Names) => telling(`Stays as it is: ${what ?? 'a thing'}`, facts.why),
});
