import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import { addChain, columnsOf, visitColumnsOf, type Chain, type Columns, type Piece, type VisitColumns } from './chains';
import type { BenchAsked, Minute, PlanVisit } from './shapes';
import { Standing } from './Standing';
import { WorkTime } from './WorkTime';

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

/** Whoever does an order of work. */
interface Doer {
  readonly who: number;
  readonly time: WorkTime;
  readonly places: number;
}

/** One technician's order as it was reckoned. */
interface Line {
  order: readonly number[];
  cents: number;
  readonly standing: Standing;
}

/** An order that is tried: so many pieces are new from one place on, up to another of the line that stands; the rest is as it was. */
interface Trial {
  isOpen: boolean;
  order: readonly number[];
  from: number;
  upTo: number;
  count: number;
  cents: number;
  readonly standing: Standing;
  /** When each of those pieces was begun before, and its visit was done. */
  readonly began: Float64Array;
  readonly done: Float64Array;
}

/**
 * The bench made ready for sums: what an order of work comes to. Whoever does a visit does all of it, so each technician's order is reckoned
 * for itself. An order is tried; then it is kept or undone before another one of that technician is tried.
 */
export class Bench {
  readonly visits: readonly PlanVisit[];
  readonly chains: readonly Chain[];
  readonly pieces: readonly Piece[];
  readonly columns: Columns;
  private readonly byVisit: VisitColumns;
  readonly names: readonly string[];
  /** For each visit, who may do it, by place. */
  readonly may: readonly (readonly number[])[];
  /** When each visit is done. */
  readonly done: Float64Array;
  /** When each piece is begun, by the orders that were reckoned last, in working minutes of whoever does it. */
  readonly began: Float64Array;
  private readonly lines: readonly Line[];
  private readonly trials: readonly Trial[];
  /** Visits under way of which a piece lies otherwise in what is tried, and how many. */
  private readonly isOtherwise: Uint8Array;
  private otherwise = 0;

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
    this.chains = asked.visits.map((visit, at) => addChain(visit, at, pieces, (phase) => minutesOf(at, phase)));
    this.pieces = pieces;
    this.columns = columnsOf(pieces);
    this.byVisit = visitColumnsOf(this.chains);
    this.may = asked.visits.map(({ who }) => who.map((id) => this.names.indexOf(id)).filter((at) => at >= 0));
    this.began = new Float64Array(pieces.length);
    this.done = Float64Array.from(this.chains, (one) => (one.pieces.length === 0 ? one.notBefore + one.tail : 0));
    this.isOtherwise = new Uint8Array(asked.visits.length);
    this.lines = asked.technicians.map(() => ({ order: [], cents: 0, standing: new Standing(pieces.length) }));
    this.trials = asked.technicians.map(() => noTrial(pieces.length));
  }

  placesOf(who: number): number {
    return this.asked.technicians[who]?.places ?? 1;
  }

  /** When a piece begins, and ends, that this one does, by the orders that were reckoned last. */
  beginOf(who: number, at: number): Minute {
    return this.time(who).begin(this.began[at] ?? 0);
  }
  endOf(who: number, at: number): Minute {
    return this.time(who).end(this.workedAt(at));
  }
  /** How many working minutes of whoever does it are gone when a piece is done. */
  workedAt(at: number): Minute {
    return (this.began[at] ?? 0) + (this.columns.minutes[at] ?? 0);
  }

  /** What one technician's order costs, in cents: lateness, waiting, moves of what was seen, and rules that are broken. It is kept. */
  reckon(who: number, order: readonly number[]): number {
    const cents = this.try(who, order);
    this.keep(who);
    return cents;
  }

  /**
   * What an order would cost. Of what comes behind the last change only that is reckoned which the change bears on: where the same hands are
   * free at the same minute, the same units stand open, and no visit is under way that lies otherwise, the rest is as it was. Infinity where
   * it is dearer than a bound: behind the change, with hands that are free no sooner than they were, hardly anything makes it cheaper again.
   */
  try(who: number, order: readonly number[], most = Infinity): number {
    const [was, trial] = [this.line(who), this.trial(who)];
    const from = sameAtFirst(was.order, order);
    const changed = order.length - sameAtLast(was.order, order, from);
    const behind = was.order.length - order.length;
    const time = this.time(who);
    const places = this.placesOf(who);
    trial.standing.copy(0, was.standing, from);
    let cents = was.cents - was.standing.cents(from + 1, changed + behind + 1);
    let place = from;
    for (; place < order.length; place++) {
      if (place >= changed) {
        if (this.settles(trial, place - from, was.standing, place + behind)) break;
        if (cents > most && trial.standing.isNoSooner(place - from, was.standing, place + behind)) {
          cents = Infinity;
          break;
        }
        cents -= was.standing.adds[place + behind + 1] ?? 0;
      }
      cents += this.tryPiece({ who, time, places }, trial, place - from, order[place] ?? -1);
    }
    this.forgetOtherwise();
    Object.assign(trial, { isOpen: true, order, from, upTo: place + behind, count: place - from, cents });
    return cents;
  }

  /** From here on all is as it was. */
  private settles(trial: Trial, nth: number, was: Standing, place: number): boolean {
    return this.otherwise === 0 && trial.standing.isAs(nth, was, place);
  }

  /** A visit under way of which a piece lies otherwise than it did bears on what comes, up to its last. */
  private tryPiece(doer: Doer, trial: Trial, nth: number, at: number): number {
    const { visitOf, isLast } = this.columns;
    const visit = visitOf[at] ?? 0;
    const began = this.began[at] ?? 0;
    trial.began[nth] = began;
    trial.done[nth] = this.done[visit] ?? 0;
    const cents = this.step(doer, trial.standing, nth, at);
    const is = isLast[at] === 0 && this.began[at] !== began ? 1 : 0;
    const was = this.isOtherwise[visit] ?? 0;
    if (is !== was) {
      this.otherwise += is - was;
      this.isOtherwise[visit] = is;
    }
    return cents;
  }

  private forgetOtherwise(): void {
    if (this.otherwise > 0) this.isOtherwise.fill(0);
    this.otherwise = 0;
  }

  /** What one technician's order costs that stands. */
  centsNow(who: number): number {
    return this.line(who).cents;
  }

  /** What was tried last stands. */
  keep(who: number): void {
    const [line, trial] = [this.line(who), this.trial(who)];
    if (!trial.isOpen) return;
    const { from, upTo, count, order, cents, standing } = trial;
    line.standing.move(upTo + 1, line.order.length + 1, from + count + 1);
    for (let nth = 1; nth <= count; nth++) line.standing.copy(from + nth, standing, nth);
    line.order = order;
    line.cents = cents;
    trial.isOpen = false;
  }

  /** What was tried last is as if it had not been. */
  undo(who: number): void {
    const trial = this.trial(who);
    if (!trial.isOpen) return;
    const { visitOf, isLast } = this.columns;
    for (let nth = 0; nth < trial.count; nth++) {
      const at = trial.order[trial.from + nth] ?? -1;
      this.began[at] = trial.began[nth] ?? 0;
      if (isLast[at] === 1) this.done[visitOf[at] ?? -1] = trial.done[nth] ?? 0;
    }
    trial.isOpen = false;
  }

  /** One piece more: when it is begun, how its technician stands then, and what it adds to the costs. Out: that. */
  private step(doer: Doer, standing: Standing, place: number, at: number): number {
    const { isFirst, isLast, waits, minutes } = this.columns;
    const { time } = doer;
    const free = standing.free[place] ?? 0;
    const wait = waits[at] ?? 0;
    standing.tails[place + 1] = standing.tails[place] ?? NO_TAILS;
    let began = free;
    let cents = 0;
    let open = standing.open[place] ?? 0;
    if (isFirst[at] === 1) {
      began = Math.max(free, time.worked(this.opens(doer, standing, place, at)));
      if (open >= doer.places) cents = BROKEN_CENTS;
      open += 1;
    } else if (wait > 0) began = Math.max(free, time.worked(time.end(this.workedAt(at - 1)) + wait));
    this.began[at] = began;
    standing.free[place + 1] = began + (minutes[at] ?? 0);
    if (isLast[at] === 1) {
      cents += this.closes(doer, standing, place + 1, at);
      open -= 1;
    }
    standing.open[place + 1] = open;
    standing.adds[place + 1] = cents;
    return cents;
  }

  /** A visit is begun where a place is free, and where it can be done before its unit goes out. Out: not before when. */
  private opens({ time, places }: Doer, standing: Standing, place: number, at: number): Minute {
    const chain = this.chain(this.columns.visitOf[at] ?? -1);
    const free = standing.free[place] ?? 0;
    let ready = chain.notBefore + (this.columns.waits[at] ?? 0);
    let tails = standing.tails[place] ?? NO_TAILS;
    if (tails.length > 0) {
      tails = stillWaiting(tails, time.begin(free));
      standing.tails[place + 1] = tails;
      ready = Math.max(ready, placeFree(tails, places - (standing.open[place] ?? 0)));
    }
    return chain.visit.away.length === 0 ? ready : this.clearOfHires(chain, time, free, ready);
  }

  /** The last piece of a visit: when it is done, and what it costs. */
  private closes({ who, time }: Doer, standing: Standing, place: number, at: number): number {
    const visit = this.columns.visitOf[at] ?? -1;
    const tail = this.byVisit.tail[visit] ?? 0;
    const done = time.end(standing.free[place] ?? 0) + tail;
    this.done[visit] = done;
    if (tail > 0) standing.tails[place] = [...(standing.tails[place] ?? NO_TAILS), done];
    return this.centsOf(visit, who);
  }

  /** What a visit costs as it was reckoned last, done by this one. */
  centsOf(at: number, who: number | null): number {
    const { due, late, waiting, isPlain } = this.byVisit;
    const done = this.done[at] ?? 0;
    const lateMinutes = done - (due[at] ?? 0);
    const cents = Math.max(done, 0) * (waiting[at] ?? 0) + (lateMinutes > 0 ? lateMinutes * (late[at] ?? 0) : 0);
    return isPlain[at] === 1 ? cents : cents + this.centsOfRules(at, who, done);
  }

  /** What it costs that a visit is not where somebody pinned it, in its hire, or elsewhere than people saw. */
  private centsOfRules(at: number, who: number | null, done: Minute): number {
    const { visit, pieces } = this.chain(at);
    const begin = pieces[0] === undefined || who === null ? done : this.beginOf(who, pieces[0]);
    const wanted = this.wantedAt(at, who);
    let cents = begin > wanted ? broken(begin - wanted) : 0;
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
  private time(who: number): WorkTime {
    return this.times[who] ?? missing('technician', who);
  }
  private line(who: number): Line {
    return this.lines[who] ?? missing('technician', who);
  }
  private trial(who: number): Trial {
    return this.trials[who] ?? missing('technician', who);
  }
}

/** Each technician's shifts as working time: made once for many benches of the same people. */
export const timesOf = ({ technicians }: Pick<BenchAsked, 'technicians'>): WorkTime[] =>
  technicians.map(({ shifts }) => new WorkTime(shifts));

const broken = (minutes: Minute): number => BROKEN_CENTS + minutes * BROKEN_CENTS_PER_MINUTE;

function missing(what: string, at: number): never {
  throw new Error(`no ${what} ${at}`);
}

const NO_TAILS: readonly Minute[] = [];

const stillWaiting = (tails: readonly Minute[], now: Minute): readonly Minute[] =>
  tails.every((done) => done > now) ? tails : tails.filter((done) => done > now);

const noTrial = (pieces: number): Trial => ({
  ...{ isOpen: false, order: [], from: 0, upTo: 0, count: 0, cents: 0, standing: new Standing(pieces) },
  ...{ began: new Float64Array(pieces), done: new Float64Array(pieces) },
});

/** When the last of so many places is free, of those that hold units which only wait still; -Infinity: now. */
function placeFree(tails: readonly Minute[], places: number): Minute {
  if (places <= 0 || tails.length < places) return -Infinity;
  return [...tails].sort((a, b) => b - a)[places - 1] ?? -Infinity;
}

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
