import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import { nth } from '../typed';

export interface BoltPlace {
  readonly x: number;
  readonly y: number;
}

export const RING_WITHIN: Threshold = {
  name: 'Bolts whose distance from the middle differs by no more make a ring',
  value: 0.12,
  unit: 'share',
  source: JUDGEMENT,
};
export const NEIGHBOUR_WITHIN: Threshold = {
  name: 'Bolts closer than so many times the nearest spacing are neighbours',
  value: 1.25,
  unit: 'times',
  source: JUDGEMENT,
};

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
  return Math.max(...reach) - Math.min(...reach) <= RING_WITHIN.value * Math.max(...reach);
}

/** Pairs of places that stand next to each other: each with those about as close as its nearest. */
export function neighboursOf(places: readonly BoltPlace[]): readonly ReadonlySet<number>[] {
  const sets = places.map(() => new Set<number>());
  places.forEach((place, at) => {
    const nearest = Math.min(...places.flatMap((other, to) => (to === at ? [] : [apart(place, other)])));
    places.forEach((other, to) => {
      if (to === at || apart(place, other) > nearest * NEIGHBOUR_WITHIN.value) return;
      sets[at]?.add(to);
      sets[to]?.add(at);
    });
  });
  return sets;
}

export const EVEN_WITHIN: Threshold = {
  name: 'A ring is even while no bolt is further off its place round it',
  value: 0.25,
  unit: 'of a step',
  source: JUDGEMENT,
};

/**
 * The order in which to tighten bolts at given places, as indices.
 * From the bolt nearest the middle of the pattern outwards, crosswise, no two neighbours in a row where that can be; an even ring goes cross
 * first from its first bolt (see ringOrder). A model's own pattern overrides it. One bolt gives [0], none gives [].
 * Source: common practice. Example: eight bolts of a ring, in order round it, give 1-5-3-7-2-6-4-8.
 */
export function tighteningPattern(places: readonly BoltPlace[]): number[] {
  if (places.length === 0) return [];
  const centre = centreOf(places);
  const ring = isPlainRing(places);
  const round = ring ? roundOf(places, centre) : null;
  if (round !== null) return ringOrder(places.length).map((turn) => nth(round, turn));
  const reach = places.map((place) => (ring ? 0 : apart(place, centre)));
  const first = reach.reduce((best, value, at) => (value < (reach[best] ?? 0) - 1e-9 ? at : best), 0);
  const neighbours = neighboursOf(places);
  return search([first], places, reach, neighbours, true) ?? search([first], places, reach, neighbours, false) ?? [];
}

/**
 * The order of a ring of n bolts, by their places round it from 0: each pair opposite, the next cross at right angles to the last where there
 * is one, then those that halve the widest arc. An odd ring is a star: each to the bolt nearly opposite.
 * Source: the cross-pattern of ASME PCC-1 (legacy pattern; sequences from memory). Examples: 8: 1-5-3-7-2-6-4-8; 12: 1-7-4-10-2-8-5-11-3-9-6-12;
 * 5: 1-3-5-2-4.
 */
function ringOrder(n: number): number[] {
  if (n % 2 === 1) return Array.from({ length: n }, (_, turn) => (turn * ((n - 1) / 2)) % n);
  const cross = n % 4 === 0 ? 4 : 2;
  const groups = n / cross;
  return spread(groups).flatMap((start) => [0, 2, 1, 3].slice(0, cross).map((part) => (start + part * (n / 4)) % n));
}

/** 0 to n − 1, each time far from those before: every second of an odd number, then those between; the half of an even one. */
function spread(n: number): number[] {
  const step = n % 2 === 0 ? n / 2 : n > 3 ? 2 : 1;
  const order: number[] = [];
  for (let first = 0; order.length < n; first++)
    for (let at = first; at < n; at += step) if (!order.includes(at)) order.push(at);
  return order;
}

/** The bolts of an even ring as one goes round it, from the first, towards the second; null: it is not even. */
function roundOf(places: readonly BoltPlace[], centre: BoltPlace): number[] | null {
  const full = 2 * Math.PI;
  const angleOf = ({ x, y }: BoltPlace): number => Math.atan2(y - centre.y, x - centre.x);
  const start = angleOf(nth(places, 0));
  const turned = places.map((place) => (angleOf(place) - start + 2 * full) % full);
  const round = places.map((_, at) => at).sort((a, b) => nth(turned, a) - nth(turned, b));
  const even = full / places.length;
  const isEven = round.every((bolt, at) => Math.abs(nth(turned, bolt) - at * even) <= even * EVEN_WITHIN.value);
  if (!isEven) return null;
  const isBackwards = places.length > 2 && nth(turned, 1) > Math.PI + 1e-9;
  return isBackwards ? [nth(round, 0), ...round.slice(1).reverse()] : round;
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
