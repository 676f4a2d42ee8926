import type { Bench, Order } from './Bench';

/** Numbers from 0 up to 1. */
export type Random = () => number;

/** Shares of steps that give a visit into other hands, half of them for another one; and up to where a whole visit moves. */
const HANDS = 0.1;
const WHOLE = 0.7;
/** A step reaches some places on, seldom anywhere. */
const NEAR = 30;
const ANYWHERE = 0.15;
/** How many places a visit in other hands lies about where it lay in time. */
const ABOUT = 16;

/** The orders that a change makes other ones, by who does them. */
export type Move = readonly { readonly who: number; readonly order: number[] }[];

/** One change of the orders, at random; null: there is nothing that could be changed. */
export function proposeMove(bench: Bench, order: Order, random: Random): Move | null {
  const total = order.reduce((count, one) => count + one.length, 0);
  if (total < 2 && bench.times.length < 2) return null;
  if (total === 0) return null;
  let nth = Math.floor(random() * total);
  const who = order.findIndex((one) => (nth < one.length ? true : ((nth -= one.length), false)));
  const own = order[who] ?? [];
  const piece = own[nth] ?? 0;
  const visit = bench.columns.visitOf[piece] ?? 0;
  const others = (bench.may[visit] ?? []).filter((other) => other !== who);
  const kind = random();
  if (others.length > 0 && (kind < HANDS || own.length === 1)) {
    const other = others[Math.floor(random() * others.length)] ?? who;
    const both = random() < 0.5 ? exchange(bench, order, visit, who, other, random) : null;
    return both ?? handOver(bench, order, visit, who, other, random);
  }
  if (kind < WHOLE) return [{ who, order: moveVisit(bench, who, own, visit, random) }];
  return [{ who, order: movePiece(bench, own, nth, random) }];
}

/** How far a move reaches: mostly near, sometimes anywhere. */
function reach(random: Random, length: number): number {
  return random() < ANYWHERE ? length : 1 + Math.floor(random() * Math.min(NEAR, length));
}

function movePiece(bench: Bench, own: readonly number[], from: number, random: Random): number[] {
  const piece = own[from] ?? 0;
  const far = reach(random, own.length);
  let [low, high] = [Math.max(from - far, 0), Math.min(from + far, own.length - 1)];
  const visit = bench.columns.visitOf[piece];
  // Never before the piece of the same visit that comes before it, nor behind the one after it.
  for (let at = from - 1; at >= low; at--) if (bench.columns.visitOf[own[at] ?? -1] === visit) low = at + 1;
  for (let at = from + 1; at <= high; at++) if (bench.columns.visitOf[own[at] ?? -1] === visit) high = at - 1;
  const to = low + Math.floor(random() * (high - low + 1));
  const rest = [...own];
  if (to < from) rest.copyWithin(to + 1, to, from);
  else rest.copyWithin(from, from + 1, to + 1);
  rest[to] = piece;
  return rest;
}

/** All pieces of a visit, begun about elsewhere. */
function moveVisit(bench: Bench, who: number, own: readonly number[], visit: number, random: Random): number[] {
  const rest = without(bench, own, visit);
  const far = reach(random, own.length);
  const first = own.indexOf(bench.chains[visit]?.pieces[0] ?? -1);
  const [low, high] = [Math.max(first - far, 0), Math.min(first + far, rest.length)];
  return insertVisit(bench, who, rest, visit, low + Math.floor(random() * (high - low + 1)), random);
}

/** A visit put into an order: each further piece at once, or where its wait is about over; now and then elsewhere. */
function insertVisit(bench: Bench, who: number, rest: number[], visit: number, at: number, random: Random): number[] {
  const time = bench.times[who];
  if (time === undefined) return rest;
  let place = at;
  let worked = at < rest.length ? (bench.began[rest[at] ?? 0] ?? 0) : bench.workedAt(rest.at(-1) ?? 0);
  const { waits, minutes } = bench.columns;
  for (const piece of bench.chains[visit]?.pieces ?? []) {
    const wait = waits[piece] ?? 0;
    if (place > at && wait > 0) {
      const ready = time.end(worked) + wait;
      const low = place;
      worked = Math.max(worked, time.worked(ready));
      while (place < rest.length && (bench.began[rest[place] ?? 0] ?? 0) < worked) place++;
      if (random() < 0.1) place = Math.min(Math.max(place + Math.floor(random() * 5) - 2, low), rest.length);
    } else if (place > at && random() < 0.05) place = Math.min(place + Math.floor(random() ** 2 * 6), rest.length);
    rest.splice(place, 0, piece);
    place += 1;
    worked += minutes[piece] ?? 0;
  }
  return rest;
}

function without(bench: Bench, own: readonly number[], visit: number): number[] {
  const { visitOf } = bench.columns;
  const rest: number[] = [];
  for (const piece of own) if (visitOf[piece] !== visit) rest.push(piece);
  return rest;
}

/** The place in an order at which something begins that begins about when a piece does. */
function placeAbout(bench: Bench, own: readonly number[], worked: number, random: Random, about: number): number {
  let place = 0;
  while (place < own.length && (bench.began[own[place] ?? 0] ?? 0) < worked) place++;
  return Math.min(Math.max(place + Math.floor((random() - 0.5) * about), 0), own.length);
}

function handOver(bench: Bench, order: Order, visit: number, from: number, to: number, random: Random): Move {
  const own = [...(order[to] ?? [])];
  const began = bench.began[bench.chains[visit]?.pieces[0] ?? 0] ?? 0;
  const takes = insertVisit(bench, to, own, visit, placeAbout(bench, own, began, random, ABOUT), random);
  return [
    { who: from, order: without(bench, order[from] ?? [], visit) },
    { who: to, order: takes },
  ];
}

/** Two visits of two technicians change hands. */
function exchange(bench: Bench, order: Order, visit: number, from: number, to: number, random: Random): Move | null {
  const theirs = order[to] ?? [];
  const began = bench.began[bench.chains[visit]?.pieces[0] ?? 0] ?? 0;
  const place = placeAbout(bench, theirs, began, random, 2 * ABOUT);
  const other = bench.columns.visitOf[theirs[Math.min(place, theirs.length - 1)] ?? -1] ?? -1;
  if (other < 0 || !(bench.may[other] ?? []).includes(from)) return null;
  const otherBegan = bench.began[bench.chains[other]?.pieces[0] ?? 0] ?? 0;
  const gives = without(bench, order[from] ?? [], visit);
  const takes = without(bench, theirs, other);
  insertVisit(bench, from, gives, other, placeAbout(bench, gives, began, random, ABOUT / 2), random);
  insertVisit(bench, to, takes, visit, placeAbout(bench, takes, otherBegan, random, ABOUT / 2), random);
  return [
    { who: from, order: gives },
    { who: to, order: takes },
  ];
}
