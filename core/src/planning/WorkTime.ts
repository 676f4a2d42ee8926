import type { Minute, Stretch } from './shapes';

/** Beyond the last shift that is known a minute's work takes so long: it is nowhere, but later work is later still. */
const BEYOND = 3;

/**
 * Somebody's shifts as one line of working minutes: work goes on over breaks and nights, and takes no minute of them.
 * Example: shifts 0 to 60 and 100 to 200; 30 minutes begun at 40 end at 110.
 */
export class WorkTime {
  /** All working minutes that are known. */
  readonly total: number;
  /** When the last shift ends. */
  private readonly last: Minute;
  /** For each minute up to then, the working minutes until it. */
  private readonly workedAt: Int32Array;
  /** For each working minute, when it begins, and when the one before it ends. */
  private readonly beginAt: Int32Array;
  private readonly endAt: Int32Array;

  constructor(shifts: readonly Stretch[]) {
    shifts.forEach(([from, to], at) => {
      if (to <= from || from < (shifts[at - 1]?.[1] ?? 0) || !Number.isInteger(from) || !Number.isInteger(to))
        throw new Error(`shift ${from} to ${to}`);
    });
    this.last = shifts.at(-1)?.[1] ?? 0;
    this.total = shifts.reduce((sum, [from, to]) => sum + to - from, 0);
    this.workedAt = new Int32Array(this.last + 1).fill(this.total);
    this.beginAt = new Int32Array(this.total + 1).fill(this.last);
    this.endAt = new Int32Array(this.total + 1).fill(shifts[0]?.[0] ?? 0);
    let worked = 0;
    let at = 0;
    for (const [from, to] of shifts) {
      this.workedAt.fill(worked, at, from);
      for (at = from; at < to; at++) {
        this.workedAt[at] = worked;
        this.beginAt[worked] = at;
        worked += 1;
        this.endAt[worked] = at + 1;
      }
    }
  }

  /** Working minutes until a moment. */
  worked(at: Minute): number {
    if (at < 0) return 0;
    if (at >= this.last) return this.total + (at - this.last) / BEYOND;
    const minute = Math.floor(at);
    const worked = this.workedAt[minute] ?? 0;
    return Math.min(worked + at - minute, this.workedAt[minute + 1] ?? worked);
  }

  /** The moment at which work begins that comes after so many working minutes: never at the end of a shift. */
  begin(worked: number): Minute {
    if (worked >= this.total) return this.beyond(worked);
    const minute = Math.floor(worked);
    return (this.beginAt[minute] ?? 0) + worked - minute;
  }

  /** The moment at which so many working minutes are done: never at the beginning of a shift. */
  end(worked: number): Minute {
    if (worked > this.total) return this.beyond(worked);
    const minute = Math.ceil(worked);
    return (this.endAt[minute] ?? 0) + worked - minute;
  }

  private beyond(worked: number): Minute {
    return this.last + (worked - this.total) * BEYOND;
  }
}
