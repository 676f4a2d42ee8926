import { CLOCKS, entryOf } from '../catalogue';
import { proofOfEntries } from '../proof';
import type { Thing } from '../teardown';
import type { CardAsked, CardRefusal } from './shape';

/** The refusals that several kinds of entry share. */
type Of<F> = Pick<CardAsked<F>, 'card' | 'facts'>;

export const mustHaveStep = ({ card, facts }: Of<{ readonly stepId: string }>): CardRefusal | null =>
  card.steps.some((step) => step.stepId === facts.stepId) ? null : { code: 'no-such-thing', id: facts.stepId };

const findThing = ({ card, facts }: Of<{ readonly thingId: string }>): Thing | undefined =>
  card.ledger.things.find((thing) => thing.thingId === facts.thingId);

const isOff = (thing: Thing): boolean => thing.state === 'off' || thing.state === 'on-trial';

export const mustHaveThing = (asked: Of<{ readonly thingId: string }>): CardRefusal | null =>
  findThing(asked) === undefined ? { code: 'no-such-thing', id: asked.facts.thingId } : null;

/** Two people's entries merge by themselves; what cannot (the same thing put back twice) is refused with what stands. */
export function mustBeOff(asked: Of<{ readonly thingId: string }>): CardRefusal | null {
  const thing = findThing(asked);
  if (thing === undefined) return { code: 'no-such-thing', id: asked.facts.thingId };
  return isOff(thing) ? null : { code: 'not-off', what: thing.what, state: thing.state };
}

export function mustNotBeOff(asked: Of<{ readonly thingId: string }>): CardRefusal | null {
  const thing = findThing(asked);
  if (thing === undefined) return { code: 'no-such-thing', id: asked.facts.thingId };
  return thing.state === 'off' ? { code: 'not-off', what: thing.what, state: thing.state } : null;
}

function mustHaveClock({ card, facts }: Of<{ readonly clockId: string }>): CardRefusal | null {
  const clock = card.clocks.find((one) => one.clockId === facts.clockId);
  if (clock === undefined) return { code: 'no-such-thing', id: facts.clockId };
  return clock.result === null ? null : { code: 'clock-ended', result: clock.result };
}

/** Something may come off again in the middle of a proof: it is neither run on nor signed like that. */
export function nothingOff({ card: { ledger } }: Pick<CardAsked<unknown>, 'card'>): CardRefusal | null {
  const names = (things: readonly Thing[]): string[] => things.map((thing) => thing.what);
  if (ledger.putBack.length > 0) return { code: 'things-off', things: names(ledger.putBack) };
  return ledger.onTrial.length > 0 ? { code: 'on-trial', things: names(ledger.onTrial) } : null;
}

/** Nothing is off and no clock runs: so it may stand for weeks. */
export function atRest(asked: Pick<CardAsked<unknown>, 'card'>): CardRefusal | null {
  const running = asked.card.clocks.find((clock) => clock.result === null);
  return nothingOff(asked) ?? (running ? { code: 'clock-runs', clock: running.clock } : null);
}

/**
 * A good result counts when its time is over. What is bad is taken at once; a technician may end a wait early, with a reason that is kept.
 */
export function mustBeOver(
  asked: Of<{ readonly clockId: string; readonly result: string; readonly earlyWhy?: string | undefined }> & {
    readonly now: string;
  },
): CardRefusal | null {
  const refused = mustHaveClock(asked);
  if (refused !== null) return refused;
  const clock = asked.card.clocks.find((one) => one.clockId === asked.facts.clockId);
  if (clock === undefined || (asked.facts.earlyWhy ?? '') !== '') return null;
  const isGood = entryOf(CLOCKS, clock.clock)?.results[asked.facts.result]?.[1] === true;
  return isGood && Date.parse(asked.now) < Date.parse(clock.endsAt)
    ? { code: 'clock-not-over', endsAt: clock.endsAt }
    : null;
}

/** Before it runs it must be dry, where something of fuel or oil was opened. */
export function dryFirst({ entries, setting, now }: CardAsked<unknown>): CardRefusal | null {
  const { leakLook } = proofOfEntries(entries, setting, now);
  return leakLook === 'dry' || leakLook === 'not-asked' ? null : { code: 'leak-look-first' };
}

export function proofMissing({ entries, setting, now }: CardAsked<unknown>): CardRefusal | null {
  const { missing } = proofOfEntries(entries, setting, now);
  return missing.length > 0 ? { code: 'not-passed', missing } : null;
}
