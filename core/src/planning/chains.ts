import type { Minute, PlanVisit } from './shapes';

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
  /** Nothing binds it: it is not pinned, in hand, seen or on hire. */
  readonly isPlain: boolean;
}

/** Of each piece what a search asks for some million times a second. */
export interface Columns {
  readonly visitOf: Int32Array;
  readonly isFirst: Uint8Array;
  readonly isLast: Uint8Array;
  readonly waits: Float64Array;
  readonly minutes: Float64Array;
}

/** The same of each visit. */
export interface VisitColumns {
  /** Infinity: nobody waits for it. */
  readonly due: Float64Array;
  readonly late: Float64Array;
  readonly waiting: Float64Array;
  readonly tail: Float64Array;
  readonly isPlain: Uint8Array;
}

/** A visit's phases as pieces, put behind those of the visits before it, and what they come to. */
export function addChain(visit: PlanVisit, at: number, pieces: Piece[], minutesOf: (phase: number) => Minute): Chain {
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
  const isPlain = !visit.inHand && visit.pinnedAt === null && visit.seen === null && visit.away.length === 0;
  return { visit, pieces: own, tail: wait, handsMinutes: hands, minutes: all, notBefore, isPlain };
}

export const columnsOf = (pieces: readonly Piece[]): Columns => ({
  visitOf: Int32Array.from(pieces, ({ visit }) => visit),
  isFirst: Uint8Array.from(pieces, ({ nth }) => (nth === 0 ? 1 : 0)),
  isLast: Uint8Array.from(pieces, ({ visit }, at) => (pieces[at + 1]?.visit === visit ? 0 : 1)),
  waits: Float64Array.from(pieces, ({ waitBefore }) => waitBefore),
  minutes: Float64Array.from(pieces, ({ minutes }) => minutes),
});

export const visitColumnsOf = (chains: readonly Chain[]): VisitColumns => ({
  due: Float64Array.from(chains, ({ visit }) => visit.dueAt ?? Infinity),
  late: Float64Array.from(chains, ({ visit }) => visit.centsPerMinuteLate),
  waiting: Float64Array.from(chains, ({ visit }) => visit.centsPerMinuteWaiting),
  tail: Float64Array.from(chains, ({ tail }) => tail),
  isPlain: Uint8Array.from(chains, ({ isPlain }) => (isPlain ? 1 : 0)),
});
