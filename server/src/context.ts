import type { Role } from '@hudrik/core/contracts';
import type { WaysAsked } from '@hudrik/core/money';
import type { BenchAsked } from '@hudrik/core/planning';
import type { Searches } from './bench/searches';
import type { Instruments } from './cards/instruments';
import type { Db } from './database/tables';
import type { Feed } from './outside/feed';
import type { Readers } from './outside/readersPool';
import type { Watch } from './sums/Watch';
import type { Sheet } from './printing/sheet';
import type { Effort, Planned, Reckoned, Undiagnosed } from './sums/sums';

/** Who asks. */
export interface Actor {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
}

/** What a use case is given: the database (or the transaction of the request), the time, and what is outside behind its interfaces. */
export interface Context {
  readonly db: Db;
  readonly now: () => Date;
  readonly instruments: Instruments;
  /** Makes paper of a description, off the main thread. */
  readonly paper: PaperMaker;
  /** Sums that take long, off the main thread. */
  readonly sums: Sums;
  /** Searches for a better plan of the bench, in all processes. */
  readonly searches: Searches;
  /** Where hires are booked outside. */
  readonly desk: Feed;
  /** Where machines tell their hours and place. */
  readonly equipment: Feed;
  /** Reads what those send, off the main thread. */
  readonly readers: Readers;
}

export interface Sums {
  readonly reckon: (asked: WaysAsked) => Promise<Reckoned>;
  /** By fault, how likely it is. */
  readonly suspects: (of: Undiagnosed) => Promise<Readonly<Record<string, number>>>;
  readonly minutesToFind: (of: Undiagnosed) => Promise<number>;
  /** Plans the bench as long as it is told to, or until whoever watches it has enough. */
  readonly planBench: (asked: BenchAsked, effort: Effort, watch?: Watch) => Promise<Planned>;
}

/** Makes a PDF of what is on it. */
export interface PaperMaker {
  readonly make: (sheet: Sheet) => Promise<Buffer>;
}
