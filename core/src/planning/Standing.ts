import type { Minute } from './shapes';

const NONE: readonly Minute[] = [];

/**
 * How a technician stands along an order of pieces, and what each adds to the costs. Place 0 is before the first piece, place n after the
 * nth. Columns, not rows: a search reads and writes them some million times a second.
 */
export class Standing {
  /** Working minutes until he or she is free. */
  readonly free: Float64Array;
  /** Units in parts. */
  readonly open: Int32Array;
  /** When those are done that only wait still. */
  readonly tails: (readonly Minute[])[];
  /** What the piece that led here adds, cents. */
  readonly adds: Float64Array;

  constructor(pieces: number) {
    this.free = new Float64Array(pieces + 1);
    this.open = new Int32Array(pieces + 1);
    this.adds = new Float64Array(pieces + 1);
    this.tails = new Array<readonly Minute[]>(pieces + 1).fill(NONE);
  }

  /** As another one stands at a place. */
  copy(to: number, other: Standing, at: number): void {
    this.free[to] = other.free[at] ?? 0;
    this.open[to] = other.open[at] ?? 0;
    this.tails[to] = other.tails[at] ?? NONE;
    this.adds[to] = other.adds[at] ?? 0;
  }

  isAs(at: number, other: Standing, place: number): boolean {
    if (this.free[at] !== other.free[place] || this.open[at] !== other.open[place]) return false;
    const [a = NONE, b = NONE] = [this.tails[at], other.tails[place]];
    return a === b || (a.length === b.length && a.every((done, nth) => done === b[nth]));
  }

  /** The hands are free no sooner than another's. */
  isNoSooner(at: number, other: Standing, place: number): boolean {
    return (this.free[at] ?? 0) >= (other.free[place] ?? 0);
  }

  /** The places from one up to another, of so many, are to lie elsewhere. */
  move(from: number, upTo: number, to: number): void {
    if (from === to) return;
    this.free.copyWithin(to, from, upTo);
    this.open.copyWithin(to, from, upTo);
    this.adds.copyWithin(to, from, upTo);
    this.tails.copyWithin(to, from, upTo);
  }

  /** What the pieces from one place up to another add together, cents. */
  cents(from: number, upTo: number): number {
    let total = 0;
    for (let at = from; at < upTo; at++) total += this.adds[at] ?? 0;
    return total;
  }
}
