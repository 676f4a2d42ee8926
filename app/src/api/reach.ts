import { useSyncExternalStore } from 'react';

/** So often it is looked for while somebody waits for it. */
const LOOK_EVERY_MS = 4000;

const STORE_AWAY = 503;

let isAway = false;
const listeners = new Set<() => void>();
let looking: ReturnType<typeof setInterval> | null = null;

function tell(away: boolean): void {
  if (isAway === away) return;
  isAway = away;
  for (const listener of listeners) listener();
  keepLooking();
}

/** A call was answered, or nobody answered it. */
export const hearReach = (answered: boolean): void => tell(!answered);

globalThis.addEventListener?.('offline', () => tell(true));
globalThis.addEventListener?.('online', () => void look());

async function look(): Promise<void> {
  const answer = await fetch('/api/health', { cache: 'no-store' }).catch(() => null);
  tell(answer === null || answer.status === STORE_AWAY);
}

function keepLooking(): void {
  const wanted = isAway && listeners.size > 0;
  if (wanted && looking === null) {
    looking = setInterval(() => void look(), LOOK_EVERY_MS);
    void look();
  } else if (!wanted && looking !== null) {
    clearInterval(looking);
    looking = null;
  }
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  keepLooking();
  return () => {
    listeners.delete(listener);
    keepLooking();
  };
}

/** Whether the yard’s server could not be reached when it was asked last. */
export const useIsAway = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => isAway,
    () => isAway,
  );
