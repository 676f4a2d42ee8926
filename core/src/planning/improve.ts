import type { Bench, Order } from './Bench';

/** Numbers from 0 up to 1. */
export type Random = () => number;

export interface Search {
  readonly random: Random;
  /** How much of the budget is spent, 0 to 1; from 1 on the search ends and the best so far stands. */
  readonly spent: () => number;
  /** Told of the plan that it begins with, and of each better one. */
  readonly onBetter?: (cents: number) => void;
}

interface Found {
  readonly order: Order;
  readonly cents: number;
}

/** Less is no gain, cents. */
const HAIR = 1e-6;
/** At the beginning the search takes a step that is worse by this share of the costs of a mean visit. */
const WARM = 0.3;
/** At the end, by this share. */
const COLD = 0.0005;
/** How often the clock is looked at. */
const STEPS_A_LOOK = 64;

/**
 * A better plan by trying: simulated annealing over the orders of pieces. A step moves one piece, or a whole visit, within one order or to
 * another who may do it; each is reckoned by the one or two orders that it changes.
 * In: the bench, an order to begin with, randomness and a budget. Out: the best order found, never worse than the first, and its cents.
 * Source: Kirkpatrick, Gelatt and Vecchi, Science 220, 1983.
 */
export function improve(bench: Bench, first: Order, { random, spent, onBetter }: Search): Found {
  const order = first.map((one) => [...one]);
  let now = sum(order.map((own, who) => bench.reckon(who, own)));
  let best: Found = { order: order.map((own) => [...own]), cents: now };
  onBetter?.(now);
  const scale = Math.max(now / Math.max(bench.chains.length, 1), 1) * WARM;
  for (let share = spent(); share < 1; share = spent()) {
    const heat = scale * (COLD / WARM) ** share;
    for (let step = 0; step < STEPS_A_LOOK; step++) {
      const changed = takeStep(bench, order, heat, random);
      if (changed === null) return best;
      now += changed;
      if (now >= best.cents - HAIR) continue;
      best = { order: order.map((own) => [...own]), cents: now };
      onBetter?.(now);
    }
  }
  return best;
}

/** Tries one change, and keeps it where it costs no more, or by chance. Out: cents more than before; null: there is nothing to change. */
function takeStep(bench: Bench, order: Order, heat: number, random: Random): number | null {
  const move = proposeMove(bench, order, random);
  if (move === null) return null;
  const more = tryAll(bench, move);
  if (more > 0 && random() >= Math.exp(-more / heat)) {
    for (const { who } of [...move].reverse()) bench.undo(who);
    return 0;
  }
  for (const { who, order: fresh } of move) {
    bench.keep(who);
    order[who] = fresh;
  }
  return more;
}

/** What the orders that a move changes would cost more than they do. */
function tryAll(bench: Bench, move: Move): number {
  return sum(move.map(({ who, order }) => bench.try(who, order) - bench.centsNow(who)));
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

type Move = readonly { readonly who: number; readonly order: number[] }[];

/** One change of the orders, at random; null: there is nothing that could be changed. */
function proposeMove(bench: Bench, order: Order, random: Random): Move | null {
  const total = order.reduce((count, one) => count + one.length, 0);
  if (total < 2 && bench.times.length < 2) return null;
  if (total === 0) return null;
  let nth = Math.floor(random() * total);
  const who = order.findIndex((one) => (nth < one.length ? true : ((nth -= one.length), false)));
  const own = order[who] ?? [];
  const piece = own[nth] ?? 0;
  const visit = bench.pieces[piece]?.visit ?? 0;
  const others = (bench.may[visit] ?? []).filter((other) => other !== who);
  const kind = random();
  if (others.length > 0 && (kind < 0.25 || own.length === 1)) {
    const other = others[Math.floor(random() * others.length)] ?? who;
    return handOver(bench, order, visit, who, other, random);
  }
  if (kind < 0.5) return [{ who, order: moveVisit(bench, own, visit, nth, random) }];
  return [{ who, order: movePiece(bench, own, nth, random) }];
}

/** How far a move reaches: mostly near, sometimes anywhere. */
function reach(random: Random, length: number): number {
  return random() < 0.15 ? length : 1 + Math.floor(random() * Math.min(30, length));
}

function movePiece(bench: Bench, own: readonly number[], from: number, random: Random): number[] {
  const piece = own[from] ?? 0;
  const far = reach(random, own.length);
  let [low, high] = [Math.max(from - far, 0), Math.min(from + far, own.length - 1)];
  const visit = bench.pieces[piece]?.visit;
  // Never before the piece of the same visit that comes before it, nor behind the one after it.
  for (let at = from - 1; at >= low; at--) if (bench.pieces[own[at] ?? -1]?.visit === visit) low = at + 1;
  for (let at = from + 1; at <= high; at++) if (bench.pieces[own[at] ?? -1]?.visit === visit) high = at - 1;
  const to = low + Math.floor(random() * (high - low + 1));
  const rest = own.filter((_, at) => at !== from);
  rest.splice(to, 0, piece);
  return rest;
}

/** All pieces of a visit, begun about elsewhere; each further one some places on. */
function moveVisit(bench: Bench, own: readonly number[], visit: number, from: number, random: Random): number[] {
  const rest = own.filter((piece) => bench.pieces[piece]?.visit !== visit);
  const far = reach(random, own.length);
  const at = Math.max(from - far, 0) + Math.floor(random() * (2 * far + 1));
  return insertVisit(bench, rest, visit, Math.min(at, rest.length), random);
}

function insertVisit(bench: Bench, rest: number[], visit: number, at: number, random: Random): number[] {
  let place = at;
  for (const piece of bench.chains[visit]?.pieces ?? []) {
    rest.splice(place, 0, piece);
    place = Math.min(place + 1 + Math.floor(random() ** 2 * 6), rest.length);
  }
  return rest;
}

function handOver(bench: Bench, order: Order, visit: number, from: number, to: number, random: Random): Move {
  const gives = (order[from] ?? []).filter((piece) => bench.pieces[piece]?.visit !== visit);
  const first = bench.chains[visit]?.pieces[0] ?? 0;
  const share = (order[from] ?? []).indexOf(first) / Math.max(order[from]?.length ?? 1, 1);
  const own = [...(order[to] ?? [])];
  const about = Math.round(share * own.length) + Math.floor((random() - 0.5) * 16);
  const takes = insertVisit(bench, own, visit, Math.min(Math.max(about, 0), own.length), random);
  return [
    { who: from, order: gives },
    { who: to, order: takes },
  ];
}
