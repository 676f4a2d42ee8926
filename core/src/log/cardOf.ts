import { EMPTY_CARD, type Card, type VisitState } from '../card';
import { CLOCKS, entryOf } from '../catalogue';
import type { Role } from '../fields';
import type { ProofSetting } from '../proof';
import { kindOf } from './entries';
import type { CardRefusal, Entry, Names } from './shape';

/**
 * A visit's card from its entries, in the order in which they were taken. The same on the device and on the server.
 * In: entries of the visit's jobs, of whatever kinds; those that change no card are passed over. Out: see Card.
 */
export const cardOf = (entries: readonly Entry[]): Card =>
  entries.reduce<Card>((card, entry) => kindOf(entry.kind)?.card?.change?.(card, entry) ?? card, EMPTY_CARD);

interface Asked {
  readonly entries: readonly Entry[];
  readonly entry: Pick<Entry, 'kind' | 'facts' | 'at' | 'by'>;
  readonly role: Role;
  readonly state: VisitState;
  readonly setting: ProofSetting;
  readonly now: string;
}

/**
 * Why an entry cannot be taken on a card as it stands; null when it can.
 * In: the card's entries so far, the entry, its maker's role, the visit's state, how it is proved, the time.
 */
export function cardRefusal({ entries, entry, role, state, setting, now }: Asked): CardRefusal | null {
  const side = kindOf(entry.kind)?.card;
  if (side?.ofProof && state !== 'to-prove') return { code: 'not-in-proof' };
  const { facts, at, by } = entry;
  return side?.refusal?.({ card: cardOf(entries), entries, facts, at, by, role, setting, now }) ?? null;
}

/**
 * A visit's state after an entry on its card. Work on a waiting or parked one opens it; a card in proof stays there until it is proved or taken
 * back.
 * In: the state before, the entry, the card after it. Example: paused for a part turns open into waits-part.
 */
export function visitStateAfter(state: VisitState, entry: Pick<Entry, 'kind' | 'facts'>, card: Card): VisitState {
  const visitState = kindOf(entry.kind)?.card?.visitState;
  if (visitState) return visitState(state, entry.facts, card);
  return state === 'waiting' || state === 'parked' ? 'open' : state;
}

const field = (facts: unknown, name: string): string => {
  const value: unknown = typeof facts === 'object' && facts !== null ? Reflect.get(facts, name) : undefined;
  return typeof value === 'string' ? value : '';
};

/** What the ids in an entry's facts are called on this card: kept with the entry, so that its sentence needs no other. */
export function namesOf(card: Card, facts: unknown): Names {
  const thing = card.ledger.things.find((one) => one.thingId === field(facts, 'thingId'));
  const step = card.steps.find((one) => one.stepId === field(facts, 'stepId'));
  const running = card.clocks.find((one) => one.clockId === field(facts, 'clockId'));
  const clock = entryOf(CLOCKS, running?.clock ?? field(facts, 'clock'));
  return {
    ...(thing ? { what: thing.what } : {}),
    ...(step ? { step: step.title } : {}),
    ...(clock ? { clock: clock.name } : {}),
  };
}
