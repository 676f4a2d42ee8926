import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import type { BenchAsked, Minute, PlanVisit } from './shapes';
import { WorkTime } from './WorkTime';

/** A hands-on phase: the wait before it, its minutes, and its place in its visit. The pieces of a visit lie side by side. */
export interface Piece {
  readonly visit: number;
  readonly phaseId: string;
  readonly nth: number;
  readonly waitBefore: Minute;
  readonly minutes: Minute;
}

/** A visit made ready for sums. */
export interface Chain {
  readonly visit: PlanVisit;
  /** Its pieces, by their place among all. */
  readonly pieces: readonly number[];
  /** The wait after the last piece. */
  readonly tail: Minute;
  readonly handsMinutes: Minute;
  /** Hands and waits together. */
  readonly minutes: Minute;
  /** Not before: released, and not before it is pinned. */
  readonly notBefore: Minute;
}

/** What breaks a rule costs so much that whatever keeps it is cheaper, and each minute more of it so much more. */
const BROKEN_CENTS = 10_000_000;
const BROKEN_CENTS_PER_MINUTE = 1_000;
export const MOVED_ALTOGETHER: Threshold = {
  name: 'A visit has moved as far as it can that begins so long before or after what people saw',
  value: 480,
  unit: 'min',
  source: JUDGEMENT,
};

/** A plan as it is searched: for each technician, the order of the pieces. */
export type Order = number[][];

/** How a technician stands between two pieces. */
interface Between {
  /** Working minutes until he or she is free. */
  readonly free: number;
  /** Units in parts. */
  readonly open: number;
  /** When those are done that only wait still. */
  readonly tails: readonly Minute[];
}
const AT_FIRST: Between = { free: 0, open: 0, tails: [] };

/** When a piece can begin, which units only wait then, and what a rule costs that it breaks. */
interface Opening {
  readonly tails: readonly Minute[];
  readonly ready: Minute;
  readonly cents: number;
}

/** One technician's order as it was reckoned: how he or she stands after each piece, and what each adds to the costs. */
interface Line {
  readonly order: readonly number[];
  readonly after: readonly Between[];
  readonly adds: readonly number[];
  readonly cents: number;
}

/** What of a line is new, and what was overwritten for it. */
interface Tried {
  readonly after: Between[];
  readonly adds: number[];
  readonly pieces: Was[];
  readonly visits: Was[];
}

/** An order that is tried: new from one place up to another of the line that stands; from there on all is as it was. */
interface Trial extends Tried {
  readonly order: readonly number[];
  readonly from: number;
  readonly upTo: number;
  readonly cents: number;
}

/** When a piece began and ended, or a visit was done. */
type Was = readonly [at: number, from: Minute, to: Minute];

/**
 * The bench made ready for sums: what an order of work comes to. Whoever does a visit does all of it, so each technician's order is reckoned
 * for itself. An order is tried; then it is kept or undone before another one of that technician is tried.
 */
export class Bench {
  readonly visits: readonly PlanVisit[];
  readonly chains: readonly Chain[];
  readonly pieces: readonly Piece[];
  readonly names: readonly string[];
  /** For each visit, who may do it, by place. */
  readonly may: readonly (readonly number[])[];
  /** When each piece begins and ends, by the orders that were reckoned last. */
  readonly begins: Float64Array;
  readonly ends: Float64Array;
  /** When each visit is done. */
  readonly done: Float64Array;
  private readonly lines: Line[];
  private readonly trials: (Trial | undefined)[];

  constructor(
    private readonly asked: BenchAsked,
    /** What each phase takes, where it is not what it takes as a rule. */
    minutesOf: (visit: number, phase: number) => Minute = (visit, phase) =>
      asked.visits[visit]?.phases[phase]?.minutes ?? 0,
    readonly times: readonly WorkTime[] = timesOf(asked),
  ) {
    this.visits = asked.visits;
    this.names = asked.technicians.map(({ id }) => id);
    const pieces: Piece[] = [];
    this.chains = asked.visits.map((visit, at) => chainOf(visit, at, pieces, (phase) => minutesOf(at, phase)));
    this.pieces = pieces;
    this.may = asked.visits.map(({ who }) => who.map((id) => this.names.indexOf(id)).filter((at) => at >= 0));
    this.begins = new Float64Array(pieces.length);
    this.ends = new Float64Array(pieces.length);
    this.done = new Float64Array(asked.visits.length);
    this.chains.forEach((chain, at) => {
      if (chain.pieces.length === 0) this.done[at] = chain.notBefore + chain.tail;
    });
    this.lines = asked.technicians.map(() => ({ order: [], after: [], adds: [], cents: 0 }));
    this.trials = asked.technicians.map(() => undefined);
  }

  placesOf(who: number): number {
    return this.asked.technicians[who]?.places ?? 1;
  }

  /** What one technician's order costs, in cents: lateness, waiting, moves of what was seen, and rules that are broken. It is kept. */
  reckon(who: number, order: readonly number[]): number {
    const cents = this.try(who, order);
    this.keep(who);
    return cents;
  }

  /**
   * What an order would cost. Of what comes behind the last change only that is reckoned which the change bears on: where the same hands are
   * free at the same minute, the same units stand open, and no visit is under way that lies otherwise, the rest is as it was.
   */
  try(who: number, order: readonly number[]): number {
    const was = this.lines[who] ?? missing('technician', who);
    const from = sameAtFirst(was.order, order);
    const changed = order.length - sameAtLast(was.order, order, from);
    const behind = was.order.length - order.length;
    const trial: Tried = { after: [], adds: [], pieces: [], visits: [] };
    const otherwise = new Set<number>();
    let between = was.after[from - 1] ?? AT_FIRST;
    let place = from;
    for (; place < order.length; place++) {
      const isRest = place >= changed && otherwise.size === 0;
      if (isRest && isSame(between, was.after[place + behind - 1] ?? AT_FIRST)) break;
      between = this.tryPiece(who, between, order[place] ?? -1, trial, otherwise);
    }
    const upTo = place + behind;
    const cents = was.cents - sum(was.adds, from, upTo) + sum(trial.adds, 0, trial.adds.length);
    this.trials[who] = { ...trial, order, from, upTo, cents };
    return cents;
  }

  /** A visit under way of which a piece lies otherwise than it did bears on what comes, up to its last. */
  private tryPiece(who: number, before: Between, at: number, trial: Tried, otherwise: Set<number>): Between {
    const { visit } = this.pieces[at] ?? missing('piece', at);
    const [begin = 0, end = 0] = [this.begins[at], this.ends[at]];
    trial.pieces.push([at, begin, end]);
    if (this.isLast(at)) trial.visits.push([visit, this.done[visit] ?? 0, 0]);
    const { between, cents } = this.step(who, before, at);
    if (this.isLast(at)) otherwise.delete(visit);
    else if (this.begins[at] !== begin || this.ends[at] !== end) otherwise.add(visit);
    trial.after.push(between);
    trial.adds.push(cents);
    return between;
  }

  private isLast(at: number): boolean {
    const { visit, nth } = this.pieces[at] ?? missing('piece', at);
    return nth === this.chain(visit).pieces.length - 1;
  }

  /** What one technician's order costs that stands. */
  centsNow(who: number): number {
    return this.lines[who]?.cents ?? 0;
  }

  /** What was tried last stands. */
  keep(who: number): void {
    const trial = this.trials[who];
    const was = this.lines[who];
    if (trial === undefined || was === undefined) return;
    const { order, from, upTo, after, adds, cents } = trial;
    this.lines[who] = {
      order,
      after: [...was.after.slice(0, from), ...after, ...was.after.slice(upTo)],
      adds: [...was.adds.slice(0, from), ...adds, ...was.adds.slice(upTo)],
      cents,
    };
    this.trials[who] = undefined;
  }

  /** What was tried last is as if it had not been. */
  undo(who: number): void {
    const trial = this.trials[who];
    if (trial === undefined) return;
    for (const [at, begin, end] of trial.pieces) {
      this.begins[at] = begin;
      this.ends[at] = end;
    }
    for (const [at, done] of trial.visits) this.done[at] = done;
    this.trials[who] = undefined;
  }

  /** One piece more: when it begins and ends, how its technician stands then, and what it adds to the costs. */
  private step(who: number, before: Between, at: number): { between: Between; cents: number } {
    const { visit, nth, minutes } = this.pieces[at] ?? missing('piece', at);
    const time = this.times[who] ?? missing('technician', who);
    const { tails, ready, cents } = nth === 0 ? this.opens(who, before, at) : this.goesOn(before, at);
    const begin = Math.max(before.free, time.worked(ready));
    this.begins[at] = time.begin(begin);
    this.ends[at] = time.end(begin + minutes);
    const free = begin + minutes;
    const open = before.open + (nth === 0 ? 1 : 0);
    if (!this.isLast(at)) return { between: { free, open, tails }, cents };
    const { tail } = this.chain(visit);
    const done = (this.ends[at] ?? 0) + tail;
    this.done[visit] = done;
    const between = { free, open: open - 1, tails: tail > 0 ? [...tails, done] : tails };
    return { between, cents: cents + this.centsOf(visit, who) };
  }

  private goesOn({ tails }: Between, at: number): Opening {
    return { tails, ready: (this.ends[at - 1] ?? 0) + (this.pieces[at]?.waitBefore ?? 0), cents: 0 };
  }

  /** A visit is begun where a place is free, and where it can be done before its unit goes out. */
  private opens(who: number, { free, open, tails }: Between, at: number): Opening {
    const { visit, waitBefore } = this.pieces[at] ?? missing('piece', at);
    const time = this.times[who] ?? missing('technician', who);
    const chain = this.chain(visit);
    const places = this.placesOf(who) - open;
    const waiting = tails.length === 0 ? tails : stillWaiting(tails, time.begin(free));
    const ready = Math.max(chain.notBefore + waitBefore, placeFree(waiting, places));
    return {
      tails: waiting,
      ready: this.clearOfHires(chain, time, free, ready),
      cents: places <= 0 ? BROKEN_CENTS : 0,
    };
  }

  /** What a visit costs as it was reckoned last, done by this one. */
  centsOf(at: number, who: number | null): number {
    const { visit, pieces } = this.chain(at);
    const done = this.done[at] ?? 0;
    const begin = pieces[0] === undefined ? done : (this.begins[pieces[0]] ?? 0);
    const late = visit.dueAt === null ? 0 : Math.max(done - visit.dueAt, 0);
    let cents = late * visit.centsPerMinuteLate + Math.max(done, 0) * visit.centsPerMinuteWaiting;
    const wanted = this.wantedAt(at, who);
    if (begin > wanted) cents += broken(begin - wanted);
    for (const [from, to] of visit.away) if (begin < to && done > from) cents += broken(Math.min(done, to) - from);
    if (visit.seen !== null && pieces.length > 0)
      cents += this.asked.centsPerMove * this.movedBy(visit.seen, begin, who);
    return cents;
  }

  /** When a visit is to begin that somebody pinned, or has in hand; Infinity: whenever. */
  private wantedAt(at: number, who: number | null): Minute {
    const { visit, notBefore } = this.chain(at);
    const time = this.times[who ?? -1];
    if (time === undefined || (!visit.inHand && visit.pinnedAt === null)) return Infinity;
    return time.begin(time.worked(notBefore));
  }

  private movedBy(seen: NonNullable<PlanVisit['seen']>, begin: Minute, who: number | null): number {
    if (who !== null && seen.who !== this.names[who]) return 1;
    return Math.min(Math.abs(begin - seen.from) / MOVED_ALTOGETHER.value, 1);
  }

  /** The first moment, from one on, at which a visit that is begun then can be done before its unit goes out. */
  clearOfHires(chain: Chain, time: WorkTime, free: number, ready: Minute): Minute {
    let at = ready;
    for (const [from, to] of chain.visit.away) {
      const worked = Math.max(free, time.worked(at));
      if (time.begin(worked) < to && this.doneAlone(chain, time, worked) > from) at = Math.max(at, to);
    }
    return at;
  }

  /** When a visit is done that nothing holds up. */
  private doneAlone(chain: Chain, time: WorkTime, begin: number): Minute {
    let free = begin;
    let end = 0;
    for (const at of chain.pieces) {
      const { nth, waitBefore, minutes } = this.pieces[at] ?? missing('piece', at);
      if (nth > 0) free = Math.max(free, time.worked(end + waitBefore));
      free += minutes;
      end = time.end(free);
    }
    return end + chain.tail;
  }

  private chain(at: number): Chain {
    return this.chains[at] ?? missing('visit', at);
  }
}

/** Each technician's shifts as working time: made once for many benches of the same people. */
export const timesOf = ({ technicians }: Pick<BenchAsked, 'technicians'>): WorkTime[] =>
  technicians.map(({ shifts }) => new WorkTime(shifts));

const broken = (minutes: Minute): number => BROKEN_CENTS + minutes * BROKEN_CENTS_PER_MINUTE;

function missing(what: string, at: number): never {
  throw new Error(`no ${what} ${at}`);
}

function sum(values: readonly number[], from: number, upTo: number): number {
  let total = 0;
  for (let at = from; at < upTo; at++) total += values[at] ?? 0;
  return total;
}

const stillWaiting = (tails: readonly Minute[], now: Minute): readonly Minute[] => tails.filter((done) => done > now);

/** When the last of so many places is free, of those that hold units which only wait still; -Infinity: now. */
function placeFree(tails: readonly Minute[], places: number): Minute {
  if (places <= 0 || tails.length < places) return -Infinity;
  return [...tails].sort((a, b) => b - a)[places - 1] ?? -Infinity;
}

const isSame = (a: Between, b: Between): boolean =>
  a === b ||
  (a.free === b.free &&
    a.open === b.open &&
    a.tails.length === b.tails.length &&
    a.tails.every((done, at) => done === b.tails[at]));

/** How many are the same at the beginning of both. */
function sameAtFirst(a: readonly number[], b: readonly number[]): number {
  let same = 0;
  while (same < a.length && same < b.length && a[same] === b[same]) same++;
  return same;
}

/** How many are the same at the end of both, behind so many that are at the beginning. */
function sameAtLast(a: readonly number[], b: readonly number[], first: number): number {
  const most = Math.min(a.length, b.length) - first;
  let same = 0;
  while (same < most && a[a.length - 1 - same] === b[b.length - 1 - same]) same++;
  return same;
}

function chainOf(visit: PlanVisit, at: number, pieces: Piece[], minutesOf: (phase: number) => Minute): Chain {
  const own: number[] = [];
  let wait = 0;
  let hands = 0;
  let all = 0;
  visit.phases.forEach((phase, nth) => {
    const minutes = minutesOf(nth);
    all += minutes;
    if (!phase.hands) {
      wait += minutes;
      return;
    }
    own.push(pieces.length);
    pieces.push({ visit: at, phaseId: phase.id, nth: own.length - 1, waitBefore: wait, minutes });
    hands += minutes;
    wait = 0;
  });
  const notBefore = Math.max(visit.releaseAt, visit.pinnedAt ?? 0, 0);
  return { visit, pieces: own, tail: wait, handsMinutes: hands, minutes: all, notBefore };
}
