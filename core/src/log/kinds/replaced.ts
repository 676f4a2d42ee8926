import { WORKS_ON_UNITS, boolean, object, id, trimmed } from '../../fields';
import { changeThing } from '../../teardown';
import { mustBeOff } from '../refusals';
import { logKind, telling, type Names } from '../shape';

/** Another part is fitted in its place, for good or for a trial. */
export const replaced = logKind({
  kind: 'replaced',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({
    thingId: id.required(),
    part: trimmed.min(1).max(60).required(),
    forTrial: boolean().required(),
  }),
  card: {
    refusal: mustBeOff,
    change: (card, { facts }) => ({
      ...card,
      ledger: changeThing(card.ledger, facts.thingId, (before) => ({
        ...before,
        state: facts.forTrial ? 'on-trial' : 'replaced',
        by: facts.part,
      })),
    }),
  },
  sentence: ({ part, forTrial }, { what }: Names) =>
    telling(`${forTrial ? 'For the trial only' : 'Replaced'}: ${what ?? 'a thing'}`, `By ${part}`),
});
