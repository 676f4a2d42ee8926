export interface BoltPlace {
  readonly x: number;
  readonly y: number;
}

/** Distances from the centre within this share of each other make a plain ring. */
const RING_WITHIN = 0.12;
/** Bolts closer than this many times the nearest spacing are neighbours. */
const NEIGHBOUR_WITHIN = 1.25;

/** Rounded, so that places alike by symmetry count alike. */
const apart = (a: BoltPlace, b: BoltPlace): number => Math.round(Math.hypot(a.x - b.x, a.y - b.y) * 1e6) / 1e6;

const distanceOf = (a: BoltPlace | undefined, b: BoltPlace | undefined): number => (a && b ? apart(a, b) : 0);

/** The middle of a pattern: the mean of its places. */
export function centreOf(places: readonly BoltPlace[]): BoltPlace {
  return {
    x: places.reduce((sum, place) => sum + place.x, 0) / places.length,
    y: places.reduce((sum, place) => sum + place.y, 0) / places.length,
  };
}

export function isPlainRing(places: readonly BoltPlace[]): boolean {
  const centre = centreOf(places);
  const reach = places.map((place) => apart(place, centre));
  return Math.max(...reach) - Math.min(...reach) <= RING_WITHIN * Math.max(...reach);
}

/** Pairs of places that stand next to each other: each with those about as close as its nearest. */
export function neighboursOf(places: readonly BoltPlace[]): readonly ReadonlySet<number>[] {
  const sets = places.map(() => new Set<number>());
  places.forEach((place, at) => {
    const nearest = Math.min(...places.flatMap((other, to) => (to === at ? [] : [apart(place, other)])));
    places.forEach((other, to) => {
      if (to === at || apart(place, other) > nearest * NEIGHBOUR_WITHIN) return;
      sets[at]?.add(to);
      sets[to]?.add(at);
    });
  });
  return sets;
}

/**
 * The order in which to tighten bolts at given places, as indices.
 * From the bolt nearest the middle of the pattern outwards, crosswise, no two neighbours in a row where that can be; a plain ring goes
 * crosswise from its first bolt. A model's own pattern overrides it. One bolt gives [0], none gives [].
 * Source: common practice. Example: four bolts of a square, in order round it, give 0, 2, 1, 3.
 */
export function tighteningPattern(places: readonly BoltPlace[]): number[] {
  if (places.length === 0) return [];
  const centre = centreOf(places);
  const ring = isPlainRing(places);
  const reach = places.map((place) => (ring ? 0 : apart(place, centre)));
  const first = reach.reduce((best, value, at) => (value < (reach[best] ?? 0) - 1e-9 ? at : best), 0);
  const neighbours = neighboursOf(places);
  return search([first], places, reach, neighbours, true) ?? search([first], places, reach, neighbours, false) ?? [];
}

/** Depth first, the most wanted next bolt first: so that a bolt without a way on is gone back from. */
function search(
  order: readonly number[],
  places: readonly BoltPlace[],
  reach: readonly number[],
  neighbours: readonly ReadonlySet<number>[],
  strict: boolean,
): number[] | null {
  if (order.length === places.length) return [...order];
  const last = order.at(-1) ?? 0;
  const toLast = (bolt: number): number => distanceOf(places[bolt], places[last]);
  const rest = places.map((_, at) => at).filter((at) => !order.includes(at) && !(strict && neighbours[last]?.has(at)));
  const wanted = rest.sort((a, b) => level(reach, a) - level(reach, b) || toLast(b) - toLast(a) || a - b);
  for (const next of wanted) {
    const found = search([...order, next], places, reach, neighbours, strict);
    if (found) return found;
  }
  return null;
}

/** How far out a bolt lies, in rings of the pattern: those about as far out count the same. */
function level(reach: readonly number[], at: number): number {
  const most = Math.max(...reach);
  return most === 0 ? 0 : Math.round(((reach[at] ?? 0) / most) * 6);
}
