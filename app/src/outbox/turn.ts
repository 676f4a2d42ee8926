import type { Device } from './device';

/** Whose turn it is to send: one page of all that are open on this device. */
export interface Turn {
  /** Waits for the turn, then works until the work ends, the turn is lost, or all is stopped. */
  readonly hold: (work: (lost: AbortSignal) => Promise<void>, stop: AbortSignal) => Promise<void>;
}

const NAME = 'hudrik-outbox';

/** By the browser's own locks: a page that is closed or crashes gives its turn up at once. Only on a secure page. */
export const turnByLocks = (locks: Pick<LockManager, 'request'>): Turn => ({
  hold: async (work, stop) => {
    await locks.request(NAME, { signal: stop }, () => work(stop));
  },
});

export interface LeaseTimes {
  /** How often a holder says that it is there. */
  readonly beatMs: number;
  /** After so long without a word, another page takes the turn. */
  readonly expiresMs: number;
}

/** By a lease in the same store as the items, kept up by a heartbeat: for pages that may not use locks. */
export function turnByLease(device: Device, holder: string, { beatMs, expiresMs }: LeaseTimes): Turn {
  /** Takes or renews it, unless another page has it. */
  const take = async (): Promise<boolean> => {
    const write = device.transaction('leases', 'readwrite');
    const held = await write.store.get(NAME);
    const isOurs = held === undefined || held.holder === holder || held.until < Date.now();
    if (isOurs) await write.store.put({ name: NAME, holder, until: Date.now() + expiresMs });
    await write.done;
    return isOurs;
  };
  const release = async (): Promise<void> => {
    const write = device.transaction('leases', 'readwrite');
    const held = await write.store.get(NAME);
    if (held?.holder === holder) await write.store.delete(NAME);
    await write.done;
  };
  return {
    hold: async (work, stop) => {
      while (!stop.aborted) {
        if (await take()) {
          const lost = new AbortController();
          const beat = setInterval(() => {
            void take().then(
              (ours) => ours || lost.abort(),
              () => lost.abort(),
            );
          }, beatMs);
          const end = () => lost.abort();
          // It may have been stopped while the turn was taken.
          if (stop.aborted) end();
          stop.addEventListener('abort', end, { once: true });
          await work(lost.signal);
          clearInterval(beat);
          stop.removeEventListener('abort', end);
          if (!lost.signal.aborted || stop.aborted) return release();
        }
        await pause(beatMs, stop);
      }
    },
  };
}

/** So long, or until it is stopped. */
const pause = (ms: number, stop: AbortSignal): Promise<void> =>
  new Promise((resolve) => {
    if (stop.aborted) return resolve();
    const done = () => {
      clearTimeout(timer);
      stop.removeEventListener('abort', done);
      resolve();
    };
    const timer = setTimeout(done, ms);
    stop.addEventListener('abort', done, { once: true });
  });
