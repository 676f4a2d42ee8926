import type { Bench, Order } from './Bench';
import { proposeMove, type Move, type Random } from './moves';

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
const WARM = 0.6;
/** At the end, by this share. */
const COLD = 0.003;
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
  const most = -heat * Math.log(1 - random());
  const more = tryAll(bench, move, most);
  if (more > most) {
    for (const { who } of [...move].reverse()) bench.undo(who);
    return 0;
  }
  for (const { who, order: fresh } of move) {
    bench.keep(who);
    order[who] = fresh;
  }
  return more;
}

/** What the orders that a move changes would cost more than they do; Infinity where that is above a bound, as far as can be seen. */
function tryAll(bench: Bench, move: Move, most: number): number {
  let more = 0;
  for (const { who, order } of move) {
    const now = bench.centsNow(who);
    const isLast = who === move.at(-1)?.who;
    more += bench.try(who, order, isLast ? now + most - more : Infinity) - now;
  }
  return more;
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
