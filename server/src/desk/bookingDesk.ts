import pRetry from 'p-retry';

export type DeskAnswer =
  { readonly ok: true; readonly text: string } | { readonly ok: false; readonly problem: 'away' };

/** Where hires are booked outside: the one that ships with Hudrik is simulated, a real one's calendar address fills the same. */
export interface BookingDesk {
  readonly read: () => Promise<DeskAnswer>;
}

const TIMEOUT_MS = 4000;
const MOST_BYTES = 2_000_000;

/** A desk that gives its hires as an iCalendar feed over HTTP: asked in a time, tried again. */
export const httpDesk = (url: string, tries = 2, pauseMs = 250): BookingDesk => ({
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
  if (!answer.ok) throw new Error(`the desk answered ${answer.status}`);
  const text = await answer.text();
  if (text.length > MOST_BYTES) throw new Error('the desk sends too much');
  return text;
}
