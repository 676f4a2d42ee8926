import type { Minute, Phase } from './shapes';

/** Work on a unit, as it stands. */
export interface Work {
  readonly id: string;
  /** What it is called. */
  readonly title: string;
  /** Hands-on minutes that are left, and their spread. */
  readonly minutes: Minute;
  readonly spread: number;
  /** What is to do still, in order, each with the wait that it begins. At least one. */
  readonly steps: readonly { readonly wait: Wait | null }[];
  /** What it waits for before anything of it can be done: a clock that runs, a part. */
  readonly after: Wait | null;
}

export interface Wait {
  readonly name: string;
  readonly minutes: Minute;
  /** It comes from outside: a part. */
  readonly isFromOutside?: boolean;
}

/** A phase, with what it is. */
export interface NamedPhase extends Phase {
  readonly what: string;
}

/** How far a wait may last longer or shorter than its clock says. */
const WAIT_SPREAD = 0.1;

interface Segment {
  readonly work: Work;
  readonly minutes: Minute;
  readonly wait: Wait | null;
}

interface Lane {
  readonly segments: readonly Segment[];
  readonly next: number;
  readonly ready: Minute;
  /** What it waits for until it is ready. */
  readonly waitsFor: Pick<Wait, 'name' | 'isFromOutside'> | null;
}

/**
 * The work of one visit as one chain: hands-on work in the order that lets its waits run while other work of the same unit goes on, and
 * what is left of the waits between. In: works as they stand; what ends the visit, a proof or a look (null: nothing). Out: phases in order,
 * hands-on minutes whole. Example: rust remover for 480 minutes and an oil change of 25: remover in, oil, 455 minutes of wait, the rest.
 */
export function chainOf(works: readonly Work[], closing: Omit<Work, 'steps' | 'after'> | null): NamedPhase[] {
  let lanes = works.map(laneOf);
  const phases: NamedPhase[] = [];
  let now = 0;
  const waitUntil = ({ ready, waitsFor }: Lane): void => {
    if (ready <= now) return;
    const wait = { id: `w${phases.length}`, hands: false, minutes: ready - now, spread: WAIT_SPREAD };
    const outside = waitsFor?.isFromOutside ? { isFromOutside: true } : {};
    phases.push({ ...wait, what: waitsFor?.name ?? '', ...outside });
    now = ready;
  };
  for (let next = nextLane(lanes, now); next !== null; next = nextLane(lanes, now)) {
    const lane = next;
    const segment = lane.segments[lane.next];
    if (segment === undefined) break;
    waitUntil(lane);
    const { work, minutes, wait } = segment;
    phases.push({ id: `${work.id}.${lane.next}`, hands: true, minutes, spread: work.spread, what: work.title });
    now += minutes;
    const after = { next: lane.next + 1, ready: now + (wait?.minutes ?? 0), waitsFor: wait };
    lanes = lanes.map((one) => (one === lane ? { ...lane, ...after } : one));
  }
  const last = lanes.reduce<Lane | null>((end, lane) => (end === null || lane.ready > end.ready ? lane : end), null);
  if (last !== null) waitUntil(last);
  if (closing === null) return phases;
  const { id, minutes, spread, title } = closing;
  return [...phases, { id, hands: true, minutes: whole(minutes), spread, what: title }];
}

/** Of the lanes with work left the one that can go on and has the longest way to go; where none can, the one that can soonest. */
function nextLane(lanes: readonly Lane[], now: Minute): Lane | null {
  const left = lanes.filter(({ segments, next }) => next < segments.length);
  const ready = left.filter((lane) => lane.ready <= now);
  if (ready.length > 0) return ready.reduce((first, lane) => (restOf(lane) > restOf(first) ? lane : first));
  return left.reduce<Lane | null>((first, lane) => (first === null || lane.ready < first.ready ? lane : first), null);
}

/** All that comes of a lane, its last wait counted as if nothing else could be done after it. */
const restOf = ({ segments, next }: Lane): Minute =>
  segments.slice(next).reduce((sum, { minutes, wait }) => sum + minutes + (wait?.minutes ?? 0), 0);

/** A work cut at its waits; its minutes fall to its steps alike. */
function laneOf(work: Work): Lane {
  const segments: Segment[] = [];
  const each = work.minutes / Math.max(work.steps.length, 1);
  let steps = 0;
  work.steps.forEach(({ wait }, at) => {
    steps += 1;
    if (wait === null && at < work.steps.length - 1) return;
    segments.push({ work, minutes: whole(each * steps), wait });
    steps = 0;
  });
  return { segments, next: 0, ready: work.after?.minutes ?? 0, waitsFor: work.after };
}

/** Work is planned in whole minutes, and takes one at least. */
const whole = (minutes: Minute): Minute => Math.max(Math.round(minutes), 1);
