import { WAYS, WAY_IDS } from '../../catalogue/workshop';
import { SIGNS_OFF, WORKS_ON_UNITS, instant, mixed, number, object, string, text, reasonText } from '../../fields';
import { atRest } from '../refusals';
import { logKind, telling } from '../shape';

/** It was tried, and how it went. */
export const trialStart = logKind({
  kind: 'trial-start',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ how: string().oneOf(['ran', 'ran-badly', 'did-not-start']).required(), note: text.defined() }),
  card: { change: (card, entry) => ({ ...card, trials: [...card.trials, entry] }) },
  sentence: ({ how, note }) => telling(`Trial start: ${how.replaceAll('-', ' ')}`, note),
});

/** The work waits for something. */
export const paused = logKind({
  kind: 'paused',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ for: string().oneOf(['clock', 'part', 'decision']).required(), why: text.defined() }),
  card: { visitState: (_, facts) => `waits-${facts.for}` },
  sentence: (facts) => telling(`Paused: waiting for a ${facts.for}`, facts.why),
});

interface Parked {
  /** What was worked on since is not proved: the unit stays held. */
  readonly unproved?: boolean;
}

/** The visit is put aside for days or weeks: nothing is off, no clock runs. */
export const parked = logKind({
  kind: 'parked',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ why: reasonText.required() }),
  card: { refusal: atRest, visitState: () => 'parked' },
  sentence: ({ why }, { unproved }: Parked) =>
    telling('Parked', why, unproved === true && 'What was worked on is not proved yet.'),
});

interface HandedOn {
  readonly to?: string;
}

/** The card is given to a person, with a word of what is next. */
export const handedOn = logKind({
  kind: 'handed-on',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ to: number().integer().required(), note: text.defined() }),
  card: {
    change: (card, { facts, by, at, outcome }) => ({
      ...card,
      handedOn: { to: facts.to, name: nameIn(outcome), note: facts.note, by, at },
    }),
    visitState: (state) => state,
  },
  sentence: ({ note }, { to }: HandedOn) => telling(`Handed on to ${to ?? 'somebody'}`, note),
});

const nameIn = (outcome: unknown): string | null => {
  const to: unknown = typeof outcome === 'object' && outcome !== null ? Reflect.get(outcome, 'to') : undefined;
  return typeof to === 'string' ? to : null;
};

interface Placed {
  readonly to?: string | null;
}

/** A visit's place in the plan, set by hand: who does it, and when it is begun; neither: the plan decides again. */
export const placed = logKind({
  kind: 'placed',
  on: 'job',
  who: SIGNS_OFF,
  facts: object({
    to: number().integer().nullable().defined(),
    at: instant.nullable().defined(),
    /** Where it was put when somebody took hold of it: put elsewhere since, it is not moved. */
    from: object({ to: number().integer().nullable().defined(), at: instant.nullable().defined() })
      .optional()
      .default(undefined),
  }),
  sentence: ({ to, at }, outcome: Placed) =>
    to === null && at === null
      ? telling('The plan decides who does it, and when')
      : telling(`Planned by hand${outcome.to ? ` for ${outcome.to}` : ''}`),
});

/** Who may not sign asks for the signature of somebody who may. */
export const signatureAsked = logKind({
  kind: 'signature-asked',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ note: text.defined() }),
  card: {
    change: (card, { facts, by, at }) => ({ ...card, signatureAsked: { note: facts.note, by, at } }),
    visitState: (state) => state,
  },
  sentence: ({ note }) => telling('A signature is asked for', note),
});

/** The work goes on. The server writes it too, when the last part has come. */
export const resumed = logKind({
  kind: 'resumed',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ why: text.defined() }),
  card: { visitState: () => 'open' },
  sentence: (facts) => telling('Work resumed', facts.why),
});

/** What is to be done with it, with the figures that were seen. */
export const decided = logKind({
  kind: 'decided',
  on: 'job',
  who: SIGNS_OFF,
  facts: object({
    way: string().oneOf(WAY_IDS).required(),
    why: text.defined(),
    figures: mixed<Readonly<Record<string, unknown>>>().required(),
  }),
  card: {
    change: (card, entry) => ({ ...card, decision: entry }),
    visitState: (state) => (state === 'waits-decision' || state === 'waiting' ? 'open' : state),
  },
  sentence: ({ way, ...facts }) => telling(`Decided: ${WAYS[way].toLowerCase()}`, facts.why),
});
