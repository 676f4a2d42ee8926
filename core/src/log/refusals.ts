import { clockEnd, type CardClock } from '../card';
import { CLOCKS, entryOf, type ClockKind } from '../catalogue';
import type { Thing } from '../teardown';
import type { CardAsked, CardRefusal } from './shape';

/** The refusals that several kinds of entry share. */
type Of<F> = Pick<CardAsked<F>, 'card' | 'facts'>;
type OfAt<F> = Pick<CardAsked<F>, 'card' | 'facts' | 'at'>;

export const mustHaveStep = ({ card, facts }: Of<{ readonly stepId: string }>): CardRefusal | null =>
  card.steps.some((step) => step.stepId === facts.stepId) ? null : { code: 'no-such-thing', id: facts.stepId };

const findThing = ({ card, facts }: Of<{ readonly thingId: string }>): Thing | undefined =>
  card.ledger.things.find((thing) => thing.thingId === facts.thingId);

const isOff = (thing: Thing): boolean => thing.state === 'off' || thing.state === 'on-trial';

/** A thing that comes off is a new one: what is on the card already comes off again by its own entry. */
export function mustBeNew(asked: Of<{ readonly thingId: string }>): CardRefusal | null {
  const thing = findThing(asked);
  return thing === undefined ? null : { code: 'not-off', what: thing.what, state: thing.state };
}

const mustHaveThing = (asked: Of<{ readonly thingId: string }>): CardRefusal | null =>
  findThing(asked) === undefined ? { code: 'no-such-thing', id: asked.facts.thingId } : null;

/**
 * Two people's entries merge by themselves; what cannot (the same thing put back twice) is refused with what stands, and so is what was done
 * before the thing came off again.
 */
export function mustBeOff(asked: OfAt<{ readonly thingId: string }>): CardRefusal | null {
  const thing = findThing(asked);
  if (thing === undefined) return { code: 'no-such-thing', id: asked.facts.thingId };
  if (!isOff(thing)) return { code: 'not-off', what: thing.what, state: thing.state };
  return asked.at < thing.offAt ? { code: 'seen-before', what: thing.what, since: thing.offAt } : null;
}

/** What came off in the end goes back on like anything else: one that was to stay off, too. */
export function mustNotBeOn(asked: OfAt<{ readonly thingId: string }>): CardRefusal | null {
  const thing = findThing(asked);
  return thing?.state === 'struck-off' && asked.at >= thing.offAt ? null : mustBeOff(asked);
}

/** Systems of which nothing stays off by an apprentice's word. What nobody named a system for may be of any. */
const CAN_HURT: ReadonlySet<string | undefined> = new Set(['guard', 'electric', 'fuel', undefined]);

export function mayStayOff(asked: CardAsked<{ readonly thingId: string }>): CardRefusal | null {
  const isForSigners = asked.role === 'apprentice' && CAN_HURT.has(findThing(asked)?.system);
  return mustBeOff(asked) ?? (isForSigners ? { code: 'signers-only', what: 'stays-off' } : null);
}

/** What a thing belongs to decides what is looked at before it goes out: once it is said, an apprentice does not say otherwise. */
export function maySayOtherwise(
  asked: CardAsked<{ readonly thingId: string; readonly system?: string | undefined }>,
): CardRefusal | null {
  const before = findThing(asked)?.system;
  const isOther = before !== undefined && before !== asked.facts.system;
  return (
    mustHaveThing(asked) ?? (asked.role === 'apprentice' && isOther ? { code: 'signers-only', what: 'system' } : null)
  );
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

const MINUTE_MS = 60_000;

interface Ended {
  readonly clockId: string;
  readonly result: string;
  readonly earlyWhy?: string | undefined;
  /** How long it ran by the device's own count, which no change of its clock moves; none where the page was loaded anew. */
  readonly ranMs?: number | undefined;
}

/**
 * A good result counts when its time is over: so long since the start arrived here, or by a count that the device kept meanwhile, if that fits.
 * What is bad is taken at once. A technician may end a wait early, with a reason that is kept: that is never a good result.
 */
export function mustBeOver(asked: CardAsked<Ended>): CardRefusal | null {
  const refused = mustHaveClock(asked);
  const clock = asked.card.clocks.find((one) => one.clockId === asked.facts.clockId);
  if (refused !== null || clock === undefined) return refused;
  if (asked.at < clock.startedAt) return { code: 'seen-before', what: clock.clock, since: clock.startedAt };
  const isGood = entryOf(CLOCKS, clock.clock)?.results[asked.facts.result]?.[1] === true;
  if (asked.facts.earlyWhy !== undefined) {
    if (asked.role === 'apprentice') return { code: 'signers-only', what: 'early-end' };
    return isGood ? { code: 'early-not-good' } : null;
  }
  return isGood && waitedMs(clock, asked) < clock.minutes * MINUTE_MS
    ? { code: 'clock-not-over', endsAt: clockEnd(clock.arrivedAt, clock.minutes) }
    : null;
}

function waitedMs(clock: CardClock, { facts, now }: CardAsked<Ended>): number {
  const since = (instant: string): number => Date.parse(now) - Date.parse(instant);
  return Math.max(since(clock.arrivedAt), Math.min(facts.ranMs ?? 0, since(clock.startedAt)));
}

/** A wait is as long as its kind says. Shorter only by a technician, with a reason. */
export function mustBeLongEnough({
  facts,
  role,
}: CardAsked<{
  readonly clock: string;
  readonly minutes: number;
  readonly shortWhy?: string | undefined;
}>): CardRefusal | null {
  const usual = entryOf<ClockKind>(CLOCKS, facts.clock)?.minutes ?? 0;
  if (facts.minutes >= usual) return null;
  if (facts.shortWhy === undefined) return { code: 'clock-too-short', minutes: usual };
  return role === 'apprentice' ? { code: 'signers-only', what: 'short-clock' } : null;
}
