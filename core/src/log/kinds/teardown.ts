import { TEARDOWN_IDS } from '../../catalogue/ids';
import { WORKS_ON_UNITS, boolean, id, object, string, trimmed } from '../../fields';
import { changeThing, takeOff, takeOffAgain } from '../../teardown';
import { maySayOtherwise, mayStayOff, mustBeNew, mustBeOff, mustNotBeOff, mustNotBeOn } from '../refusals';
import { thing, why } from '../schemas';
import { type Names, logKind, telling } from '../shape';

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

/** A thing comes off: where it lies, and how it sat. */
export const takenOff = logKind({
  kind: 'taken-off',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: thing,
  card: {
    refusal: mustBeNew,
    change: (card, { facts, jobId, at }) => ({ ...card, ledger: takeOff(card.ledger, facts, jobId ?? null, at) }),
  },
  sentence: ({ what, tray, place }) => telling(`Taken off: ${what}`, `Tray ${tray}, ${place}`),
});

/** More is written down of a thing that is off. */
export const thingChanged = logKind({
  kind: 'thing-changed',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: thing,
  card: {
    refusal: maySayOtherwise,
    change: (card, { facts }) => ({
      ...card,
      ledger: changeThing(card.ledger, facts.thingId, (before) => ({
        ...before,
        ...facts,
        system: facts.system ?? before.system,
      })),
    }),
  },
  sentence: ({ what, orientation }) => telling(`How it sat: ${what}`, orientation),
});

/** A thing is back where it was. */
export const putBack = logKind({
  kind: 'put-back',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ thingId: id.required() }),
  closes: true,
  card: {
    refusal: mustNotBeOn,
    change: (card, { facts }) => ({
      ...card,
      ledger: changeThing(card.ledger, facts.thingId, (before) => ({ ...before, state: 'back', by: null })),
    }),
  },
  sentence: (_, { what }: Names) => telling(`Back on: ${what ?? 'a thing'}`),
});

/** What was back comes off again. */
export const takenOffAgain = logKind({
  kind: 'taken-off-again',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ thingId: id.required() }),
  card: {
    refusal: mustNotBeOff,
    change: (card, { facts, at }) => ({ ...card, ledger: takeOffAgain(card.ledger, facts.thingId, at) }),
  },
  sentence: (_, { what }: Names) => telling(`Taken off again: ${what ?? 'a thing'}`),
});

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
  closes: true,
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

/** A thing need not go back, with a reason. */
export const struckOff = logKind({
  kind: 'struck-off',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ thingId: id.required(), why: why.required() }),
  closes: true,
  card: {
    refusal: mayStayOff,
    change: (card, { facts }) => ({
      ...card,
      ledger: changeThing(card.ledger, facts.thingId, (before) => ({ ...before, state: 'struck-off', by: facts.why })),
    }),
  },
  sentence: (facts, { what }: Names) => telling(`Stays as it is: ${what ?? 'a thing'}`, facts.why),
});
