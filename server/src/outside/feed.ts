import pRetry from 'p-retry';

export type FeedAnswer =
  | { readonly ok: true; readonly text: string }
  | { readonly ok: false; readonly problem: 'away' };

/** What tells of itself outside: the booking desk, the machines. Simulated ones ship with Hudrik; a real one's address fills the same. */
export interface Feed {
  readonly read: () => Promise<FeedAnswer>;
}

const TIMEOUT_MS = 4000;
const MOST_BYTES = 2_000_000;

/** For programs that take in nothing from outside. */
export const NO_FEED: Feed = { read: async () => ({ ok: false, problem: 'away' }) };

/** A text over HTTP: asked in a time, tried again. */
export const httpFeed = (url: string, tries = 2, pauseMs = 250): Feed => ({
  read: async () => {
    try {
      const text = await pRetry(() => fetchText(url), { retries: tries - 1, minTimeout: pauseMs });
      return { ok: true, text };
    } catch {
      return { ok: false, problem: 'away' };
    }
  },
});

async function fetchText(url: string): Promise<string> {
  const answer = await fetch(url, { signal: AbortSignal.timeout(TIMEOUT_MS) });
  if (!answer.ok) throw new Error(`the feed answered ${answer.status}`);
  const text = await answer.text();
  if (text.length > MOST_BYTES) throw new Error('the feed sends too much');
  return text;
}
