import { WORKS_ON_UNITS } from '../../fields';
import { changeThing } from '../../teardown';
import { mustHaveThing } from '../refusals';
import { thing } from '../schemas';
import { logKind, telling } from '../shape';

/** More is written down of a thing that is off. */
export const thingChanged = logKind({
  kind: 'thing-changed',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: thing,
  card: {
    refusal: mustHaveThing,
    change: (card, { facts }) => ({
      ...card,
      ledger: changeThing(card.ledger, facts.thingId, (before) => ({ ...before, ...facts })),
    }),
  },
  sentence: ({ what, orientation }) => telling(`How it sat: ${what}`, orientation),
});
