import type { System } from '../catalogue/shapes';

/** Fasteners of one size, with the places they go to where lengths differ. */
export interface Fasteners {
  readonly count: number;
  readonly size: string;
  readonly place: string;
}

/** A mark drawn on a photo; lengths and places as shares of its width and height. */
export type Mark =
  | { readonly kind: 'arrow'; readonly from: readonly [number, number]; readonly to: readonly [number, number] }
  | { readonly kind: 'circle'; readonly at: readonly [number, number]; readonly radius: number }
  | { readonly kind: 'number'; readonly at: readonly [number, number]; readonly number: number };

/** What is written down of a thing as it comes off. */
export interface ThingFacts {
  readonly thingId: string;
  readonly what: string;
  readonly key: string | null;
  readonly tray: string;
  readonly place: number;
  readonly fasteners: readonly Fasteners[];
  readonly orientation: string;
  readonly linkHole: string;
  readonly stack: readonly string[];
  readonly quarterTurns: number | null;
  /** What it belongs to; older ones do not say. */
  readonly system?: System | undefined;
}

export type ThingState = 'off' | 'back' | 'replaced' | 'on-trial' | 'struck-off';

/** One thing that was taken off. */
export interface Thing extends ThingFacts {
  /** The job for which it came off. */
  readonly jobId: string | null;
  readonly state: ThingState;
  /** When it came off last. */
  readonly offAt: string;
  /** By which part, where it was replaced; why, where it was struck off. */
  readonly by: string | null;
  /** Place in the order of taking off; a thing that came off again is the last. */
  readonly turn: number;
  readonly photos: readonly { readonly photoId: string; readonly marks: readonly Mark[] }[];
}

/** The teardown ledger: what was taken off, and what of it is still off. */
export interface Ledger {
  /** In the order in which they came off. */
  readonly things: readonly Thing[];
  /** What is still to do something with before a proof, in the order to do it: the last off is the first back. */
  readonly putBack: readonly Thing[];
  /** Fitted for a trial only: to be replaced. */
  readonly onTrial: readonly Thing[];
  /** Nothing is off, and nothing on trial. */
  readonly complete: boolean;
  /** How often something came off: the next turn. */
  readonly turns: number;
}

export const EMPTY_LEDGER: Ledger = { things: [], putBack: [], onTrial: [], complete: true, turns: 0 };

function ledgerWith(things: readonly Thing[], turns: number): Ledger {
  const inOrder = [...things].sort((a, b) => a.turn - b.turn);
  const putBack = inOrder.filter((thing) => thing.state === 'off').reverse();
  const onTrial = inOrder.filter((thing) => thing.state === 'on-trial');
  return { things: inOrder, putBack, onTrial, complete: putBack.length === 0 && onTrial.length === 0, turns };
}

/** A thing comes off. One that has come off under this id already changes nothing. */
export function takeOff(ledger: Ledger, facts: ThingFacts, jobId: string | null, offAt: string): Ledger {
  const isThere = ledger.things.some((thing) => thing.thingId === facts.thingId);
  const thing: Thing = { ...facts, jobId, state: 'off', offAt, by: null, turn: ledger.turns, photos: [] };
  return ledgerWith(isThere ? ledger.things : [...ledger.things, thing], ledger.turns + 1);
}

/** One thing of the ledger is not as it was; an id that is not there is passed over. */
export const changeThing = (ledger: Ledger, thingId: string, change: (thing: Thing) => Thing): Ledger =>
  ledgerWith(
    ledger.things.map((thing) => (thing.thingId === thingId ? change(thing) : thing)),
    ledger.turns,
  );

/** What was back comes off again, as the last. */
export function takeOffAgain(ledger: Ledger, thingId: string, offAt: string): Ledger {
  const off = { state: 'off', offAt, by: null, turn: ledger.turns } as const;
  const after = changeThing(ledger, thingId, (thing) => ({ ...thing, ...off }));
  return { ...after, turns: ledger.turns + 1 };
}

/** The marks on a photo are drawn anew. */
export const markThings = (ledger: Ledger, photoId: string, marks: readonly Mark[]): Ledger =>
  ledgerWith(
    ledger.things.map((thing) => ({
      ...thing,
      photos: thing.photos.map((photo) => (photo.photoId === photoId ? { ...photo, marks } : photo)),
    })),
    ledger.turns,
  );
