/** A search that goes on in a worker, as it is seen from outside: how far it is, what it found, and the hand that stops it. */
export class Watch {
  private readonly flag: Int32Array;
  private readonly figures: Float64Array;

  constructor(readonly buffer: SharedArrayBuffer = new SharedArrayBuffer(32)) {
    this.flag = new Int32Array(buffer, 0, 1);
    this.figures = new Float64Array(buffer, 8, 3);
  }

  stop(): void {
    Atomics.store(this.flag, 0, 1);
  }

  /** Told by the search: the share of its time that is spent. Out: what counts as spent, all of it once somebody stopped it. */
  spent(share: number): number {
    this.figures[0] = Math.min(share, 1);
    return Atomics.load(this.flag, 0) === 1 ? 1 : share;
  }

  /** Told by the search: a better plan; the first is what it began with. */
  better(cents: number): void {
    if (this.figures[1] === 0) this.figures[1] = cents;
    this.figures[2] = cents;
  }

  read(): { readonly share: number; readonly savedCents: number } {
    const [share = 0, first = 0, best = 0] = this.figures;
    return { share, savedCents: Math.max(Math.round(first - best), 0) };
  }
}
