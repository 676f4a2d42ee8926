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

/** One thing that was taken off. */
export interface Thing {
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
  readonly state: 'off' | 'back' | 'replaced' | 'on-trial' | 'struck';
  /** By which part, where it was replaced; why, where it was struck. */
  readonly by: string | null;
  /** Place in the order of taking off; a thing that came off again is the last. */
  readonly turn: number;
  readonly photos: readonly { readonly photoId: string; readonly marks: readonly Mark[] }[];
}

export type OffFacts = Omit<Thing, 'state' | 'by' | 'turn' | 'photos'>;
export type LedgerEntry =
  | { readonly kind: 'taken-off' | 'thing-changed'; readonly facts: OffFacts }
  | { readonly kind: 'put-back' | 'off-again'; readonly facts: { readonly thingId: string } }
  | {
      readonly kind: 'replaced';
      readonly facts: { readonly thingId: string; readonly part: string; readonly forTrial: boolean };
    }
  | { readonly kind: 'struck'; readonly facts: { readonly thingId: string; readonly why: string } }
  | {
      readonly kind: 'photo';
      readonly facts: { readonly photoId: string; readonly marks: readonly Mark[]; readonly thingId: string | null };
    }
  | { readonly kind: 'marked'; readonly facts: { readonly photoId: string; readonly marks: readonly Mark[] } };

export interface Ledger {
  /** In the order in which they came off. */
  readonly things: readonly Thing[];
  /** What is still to do something with before a proof, in the order to do it: the last off is the first back. */
  readonly putBack: readonly Thing[];
  /** Fitted for a trial only: to be replaced. */
  readonly onTrial: readonly Thing[];
  readonly complete: boolean;
}

/**
 * The teardown ledger: what was taken off, and what of it is still off.
 * In: the card's entries in order; kinds that are not the ledger's are passed over, and so is what names a thing that is not there. Out:
 * things in order, what to put back in reverse, what is on trial. Complete when nothing is off and nothing on trial. Source: common
 * practice (a part left over is a fault). Example: off A, off B, off C, B struck gives C, A to put back.
 */
export function ledgerOf(entries: readonly { readonly kind: string; readonly facts: unknown }[]): Ledger {
  const things = new Map<string, Thing>();
  let turn = 0;
  for (const entry of entries) turn = take(things, entry as LedgerEntry, turn);
  const inOrder = [...things.values()].sort((a, b) => a.turn - b.turn);
  const putBack = inOrder.filter((thing) => thing.state === 'off').reverse();
  const onTrial = inOrder.filter((thing) => thing.state === 'on-trial');
  return { things: inOrder, putBack, onTrial, complete: putBack.length === 0 && onTrial.length === 0 };
}

function take(things: Map<string, Thing>, entry: LedgerEntry, turn: number): number {
  if (entry.kind === 'taken-off') {
    if (!things.has(entry.facts.thingId))
      things.set(entry.facts.thingId, { ...entry.facts, state: 'off', by: null, turn, photos: [] });
    return turn + 1;
  }
  if (entry.kind === 'marked') {
    for (const [id, thing] of things)
      if (thing.photos.some((photo) => photo.photoId === entry.facts.photoId))
        things.set(id, {
          ...thing,
          photos: thing.photos.map((photo) =>
            photo.photoId === entry.facts.photoId ? { ...photo, marks: entry.facts.marks } : photo,
          ),
        });
    return turn;
  }
  const thing = things.get((entry.facts as { thingId?: string | null } | null)?.thingId ?? '');
  if (thing) things.set(thing.thingId, changed(thing, entry, turn));
  return entry.kind === 'off-again' ? turn + 1 : turn;
}

function changed(thing: Thing, entry: LedgerEntry, turn: number): Thing {
  switch (entry.kind) {
    case 'thing-changed':
      return { ...thing, ...entry.facts };
    case 'put-back':
      return { ...thing, state: 'back', by: null };
    case 'off-again':
      return { ...thing, state: 'off', by: null, turn };
    case 'replaced':
      return { ...thing, state: entry.facts.forTrial ? 'on-trial' : 'replaced', by: entry.facts.part };
    case 'struck':
      return { ...thing, state: 'struck', by: entry.facts.why };
    case 'photo':
      return { ...thing, photos: [...thing.photos, { photoId: entry.facts.photoId, marks: entry.facts.marks }] };
    default:
      return thing;
  }
}
