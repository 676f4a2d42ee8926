import type { Bench, Order } from './Bench';
import type { Minute } from './shapes';

/** What is known of a visit while work is handed out. */
interface Progress {
  /** Its next piece, by place among its own. */
  readonly next: number;
  /** Who does it; null: nobody yet. */
  readonly who: number | null;
  /** When its next piece can begin. */
  readonly ready: Minute;
}

interface Turn {
  readonly who: number;
  readonly at: Minute;
  /** The visits that he or she could go on with or begin. */
  readonly visits: readonly number[];
}

/**
 * A first plan by dispatching: whoever is free soonest takes, of what can be begun, the piece with the highest index: its weight per
 * minute of work, the more the nearer it is to being late. In: the bench; how far ahead lateness is felt, in mean visits (about 2).
 * Out: an order for each technician. Source: apparent tardiness cost, Vepsalainen and Morton, Management Science 33(8), 1987, with
 * Smith's (1956) weight per minute for what waits.
 */
export const dispatch = (bench: Bench, lookAhead: number): Order => new Dispatch(bench, lookAhead).orders;

class Dispatch {
  readonly orders: Order;
  private readonly free: number[];
  private readonly progress: Progress[];
  /** Visits that want hands still. */
  private wants: number[];
  /** Minutes ahead at which lateness is felt. */
  private readonly feels: Minute;

  constructor(
    private readonly bench: Bench,
    lookAhead: number,
  ) {
    this.orders = bench.times.map(() => []);
    this.free = bench.times.map(() => 0);
    this.progress = bench.chains.map(({ notBefore, pieces }) => ({
      next: 0,
      who: null,
      ready: notBefore + (bench.pieces[pieces[0] ?? -1]?.waitBefore ?? 0),
    }));
    this.wants = [...bench.chains.keys()].filter((visit) => (bench.chains[visit]?.pieces.length ?? 0) > 0);
    const hands = bench.chains.reduce((sum, { handsMinutes }) => sum + handsMinutes, 0);
    this.feels = Math.max((lookAhead * hands) / Math.max(bench.chains.length, 1), 1);
    for (let turn = this.nextTurn(); turn !== null; turn = this.nextTurn()) this.take(turn.who, this.choose(turn));
  }

  private nextTurn(): Turn | null {
    const turns = this.bench.times.flatMap((time, who): Turn[] => {
      const visits = this.openTo(who);
      if (visits.length === 0) return [];
      const soonest = visits.reduce((first, visit) => Math.min(first, this.of(visit).ready), Infinity);
      return [{ who, visits, at: time.begin(Math.max(this.free[who] ?? 0, time.worked(soonest))) }];
    });
    return turns.reduce<Turn | null>((first, turn) => (first === null || turn.at < first.at ? turn : first), null);
  }

  /** What a technician may go on with, and begin where a place on the bench is free. */
  private openTo(who: number): number[] {
    const begun: number[] = [];
    const both: number[] = [];
    for (const visit of this.wants) {
      const doer = this.progress[visit]?.who;
      if (doer === who) begun.push(visit);
      if (doer === who || (doer === null && this.bench.may[visit]?.includes(who))) both.push(visit);
    }
    return begun.length >= this.bench.placesOf(who) ? begun : both;
  }

  /** The piece of the highest index that is done before what is pinned next; else what is pinned. */
  private choose({ who, at, visits }: Turn): number {
    const pins = visits.filter((visit) => this.pinOf(visit) > at);
    const nextPin = Math.min(Infinity, ...pins.map((visit) => this.pinOf(visit)));
    const fits = visits.filter((visit) => this.of(visit).ready <= at && this.endOf(who, visit) <= nextPin);
    if (fits.length > 0) return highest(fits, (visit) => this.indexOf(visit, at));
    const pinned = pins.find((visit) => this.pinOf(visit) === nextPin);
    return pinned ?? highest(visits, (visit) => -this.of(visit).ready);
  }

  /** When a visit that nobody began is pinned to begin; -Infinity where it is not. */
  private pinOf(visit: number): Minute {
    return this.of(visit).next === 0 ? (this.chain(visit).visit.pinnedAt ?? -Infinity) : -Infinity;
  }

  private endOf(who: number, visit: number): Minute {
    const time = this.time(who);
    const begin = Math.max(this.free[who] ?? 0, time.worked(this.of(visit).ready));
    return time.end(begin + this.nextPiece(visit).minutes);
  }

  private indexOf(visit: number, now: Minute): number {
    const { visit: asked, pieces, minutes, handsMinutes } = this.chain(visit);
    const { next } = this.of(visit);
    if (next === 0 && asked.inHand) return Infinity;
    if (next === 0 && asked.pinnedAt !== null) return Number.MAX_VALUE;
    const left = pieces.slice(next).reduce((sum, at) => sum + (this.bench.pieces[at]?.minutes ?? 0), 0);
    const slack = asked.dueAt === null ? Infinity : Math.max(asked.dueAt - now - left - (minutes - handsMinutes), 0);
    const weight = asked.centsPerMinuteWaiting + asked.centsPerMinuteLate * Math.exp(-slack / this.feels);
    return weight / Math.max(left, 1);
  }

  private take(who: number, visit: number): void {
    const chain = this.chain(visit);
    const time = this.time(who);
    const { next, ready } = this.of(visit);
    const { minutes } = this.nextPiece(visit);
    const from = next === 0 ? this.bench.clearOfHires(chain, time, this.free[who] ?? 0, ready) : ready;
    const free = Math.max(this.free[who] ?? 0, time.worked(from)) + minutes;
    this.free[who] = free;
    this.orders[who]?.push(chain.pieces[next] ?? -1);
    const wait = this.bench.pieces[chain.pieces[next + 1] ?? -1]?.waitBefore ?? 0;
    this.progress[visit] = { who, next: next + 1, ready: time.end(free) + wait };
    if (next + 1 === chain.pieces.length) this.wants = this.wants.filter((other) => other !== visit);
  }

  private of(visit: number): Progress {
    return this.progress[visit] ?? missing('visit', visit);
  }
  private chain(visit: number): Bench['chains'][number] {
    return this.bench.chains[visit] ?? missing('chain', visit);
  }
  private time(who: number): Bench['times'][number] {
    return this.bench.times[who] ?? missing('technician', who);
  }
  private nextPiece(visit: number): Bench['pieces'][number] {
    const at = this.chain(visit).pieces[this.of(visit).next] ?? -1;
    return this.bench.pieces[at] ?? missing('piece', at);
  }
}

/** Of some, not none, the first for which it is highest. */
function highest(visits: readonly number[], of: (visit: number) => number): number {
  return visits.reduce((top, visit) => (of(visit) > of(top) ? visit : top));
}

function missing(what: string, at: number): never {
  throw new Error(`no ${what} ${at}`);
}
