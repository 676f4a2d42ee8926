import type { SentLogEntry } from '@hudrik/core/contracts';

/** A phone: its clock is off by so much, and it has or has not measured by how much; what is made while it is off line waits on it. */
export class Phone {
  readonly waiting: (() => Promise<unknown>)[] = [];
  isOffLine = false;

  constructor(
    readonly errorMs: number,
    readonly knowsOffset: boolean,
  ) {}

  /** What it says of a moment. */
  says(now: Date): Pick<SentLogEntry, 'at' | 'offsetMs'> {
    return this.knowsOffset
      ? { at: now.toISOString(), offsetMs: -this.errorMs }
      : { at: new Date(now.getTime() + this.errorMs).toISOString(), offsetMs: null };
  }
}
