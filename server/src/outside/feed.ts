import pRetry from 'p-retry';
import { askOutside, NotAnswered, type Bounds, type OutsideProblem } from './askOutside';

/** A feed’s answer as it came, and what it says it is. */
export interface FeedBody {
  readonly bytes: Uint8Array;
  /** As the answer says it; empty where it says nothing. */
  readonly type: string;
}

export type FeedAnswer =
  | { readonly ok: true; readonly body: FeedBody }
  | { readonly ok: false; readonly problem: OutsideProblem };

/** What tells of itself outside: the booking desk, the machines. Simulated ones ship with Hudrik; a real one's address fills the same. */
export interface Feed {
  readonly read: () => Promise<FeedAnswer>;
}

const BOUNDS = { timeoutMs: 20_000, mostBytes: 10_000_000 } as const;

/** For programs that take in nothing from outside. */
export const NO_FEED: Feed = { read: async () => ({ ok: false, problem: 'away' }) };

/** A feed over HTTP: asked in a time, tried again where another answer may come. */
export const httpFeed = (
  url: string,
  privateHosts: readonly string[],
  { tries = 2, pauseMs = 250, ...own }: Partial<Bounds> & { readonly tries?: number; readonly pauseMs?: number } = {},
): Feed => ({
  read: async () => {
    try {
      const body = await pRetry(() => askFeed(url, { ...BOUNDS, ...own, privateHosts }), {
        ...{ retries: tries - 1, minTimeout: pauseMs },
        shouldRetry: ({ error }) => !(error instanceof NotAnswered) || error.problem === 'away',
      });
      return { ok: true, body };
    } catch (error) {
      return { ok: false, problem: error instanceof NotAnswered ? error.problem : 'away' };
    }
  },
});

async function askFeed(url: string, bounds: Bounds): Promise<FeedBody> {
  const { status, bytes, type } = await askOutside(url, bounds);
  if (status < 200 || status > 299) throw new NotAnswered('away');
  return { bytes, type };
}
