import type { CalendarText } from '../desk/readCalendarText';
import type { FleetText } from '../equipment/readFleetText';
import { loadOf, workersOf, type Workers } from '../workersOf';
import type { FeedBody } from './feed';
import type { Reading } from './reading';
import type { Decoded } from './textOf';

/** Why nothing of a list was read, beside what its own reader says. */
type Unread = { readonly ok: false; readonly problem: 'too-slow' } | Extract<Decoded, { ok: false }>;

/** Reads what feeds send. */
export interface Readers {
  readonly calendar: (body: FeedBody, reading: Reading) => Promise<CalendarText | Unread>;
  readonly fleet: (body: FeedBody, reading: Reading) => Promise<FleetText | Unread>;
}

/** For programs that take in nothing from outside. */
const none = (): Promise<never> => Promise.reject(new Error('No feeds are read here'));
export const NO_READERS: Readers = { calendar: none, fleet: none };

export type ReadingAsked = { readonly list: 'calendar' | 'fleet'; readonly body: FeedBody } & Reading;

/** A text of the longest that is taken is read in a tenth of it. */
const MOST_MS = 20_000;
const MOST_MEGABYTES = 256;

/** Reads in a worker, which is ended when it takes too long or too much. */
export function readersPool(mostMs = MOST_MS): Readers & Workers {
  const pool = workersOf<ReadingAsked, unknown>(new URL('./reading.worker.ts', import.meta.url), {
    maxThreads: 1,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
  });
  const read = async (asked: ReadingAsked): Promise<unknown> => {
    const signal = AbortSignal.timeout(mostMs);
    try {
      return await pool.run(asked, { signal });
    } catch (error) {
      if (signal.aborted || isOutOfMemory(error)) return { ok: false, problem: 'too-slow' };
      throw error;
    }
  };
  return {
    calendar: async (body, reading) => (await read({ list: 'calendar', body, ...reading })) as CalendarText | Unread,
    fleet: async (body, reading) => (await read({ list: 'fleet', body, ...reading })) as FleetText | Unread,
    load: () => loadOf(pool),
    stop: () => pool.destroy(),
  };
}

const isOutOfMemory = (error: unknown): boolean =>
  error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY';
