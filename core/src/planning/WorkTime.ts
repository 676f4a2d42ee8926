import type { Minute, Stretch } from './shapes';

/** Beyond the last shift that is known a minute's work takes so long: it is nowhere, but later work is later still. */
const BEYOND = 3;

/**
 * Somebody's shifts as one line of working minutes: work goes on over breaks and nights, and takes no minute of them.
 * Example: shifts 0 to 60 and 100 to 200; 30 minutes begun at 40 end at 110.
 */
export class WorkTime {
  private readonly from: Float64Array;
  private readonly to: Float64Array;
  /** Working minutes before each shift. */
  private readonly before: Float64Array;
  /** All working minutes that are known. */
  readonly total: number;
  /** For each minute, and for each working minute, the shift that it lies in or behind; -1: before the first. */
  private readonly shiftAt: Int16Array;
  private readonly shiftOf: Int16Array;

  constructor(shifts: readonly Stretch[]) {
    this.from = Float64Array.from(shifts, ([from]) => from);
    this.to = Float64Array.from(shifts, ([, to]) => to);
    this.before = new Float64Array(shifts.length);
    let sum = 0;
    shifts.forEach(([from, to], at) => {
      if (to <= from || from < (shifts[at - 1]?.[1] ?? 0) || !Number.isInteger(from) || !Number.isInteger(to))
        throw new Error(`shift ${from} to ${to}`);
      this.before[at] = sum;
      sum += to - from;
    });
    this.total = sum;
    this.shiftAt = placesIn(this.from, shifts.at(-1)?.[1] ?? 0);
    this.shiftOf = placesIn(this.before, sum);
  }

  /** Working minutes until a moment. */
  worked(at: Minute): number {
    const shift = at < 0 ? -1 : (this.shiftAt[Math.floor(at)] ?? this.from.length - 1);
    if (shift < 0) return 0;
    const [from = 0, to = 0, before = 0] = [this.from[shift], this.to[shift], this.before[shift]];
    if (at < to || shift < this.from.length - 1) return before + Math.min(at, to) - from;
    return this.total + (at - to) / BEYOND;
  }

  /** The moment at which work begins that comes after so many working minutes: never at the end of a shift. */
  begin(worked: number): Minute {
    if (worked >= this.total) return this.beyond(worked);
    const shift = this.shiftOf[Math.max(Math.floor(worked), 0)] ?? 0;
    return (this.from[shift] ?? 0) + worked - (this.before[shift] ?? 0);
  }

  /** The moment at which so many working minutes are done: never at the beginning of a shift. */
  end(worked: number): Minute {
    if (worked > this.total) return this.beyond(worked);
    let shift = this.shiftOf[Math.max(Math.floor(worked), 0)] ?? 0;
    if (shift > 0 && this.before[shift] === worked) shift -= 1;
    return (this.from[Math.max(shift, 0)] ?? 0) + worked - (this.before[Math.max(shift, 0)] ?? 0);
  }

  private beyond(worked: number): Minute {
    return (this.to[this.to.length - 1] ?? 0) + (worked - this.total) * BEYOND;
  }
}

/** For each minute up to an end, the last of some whole minutes, in order, that is not behind it; -1: none. */
function placesIn(sorted: Float64Array, end: Minute): Int16Array {
  const places = new Int16Array(Math.ceil(end) + 1);
  let place = -1;
  for (let at = 0; at < places.length; at++) {
    while ((sorted[place + 1] ?? Infinity) <= at) place += 1;
    places[at] = place;
  }
  return places;
}
