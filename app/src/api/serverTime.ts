import { kv } from './kv';

const KEPT = 'hudrik-clock-ahead';
/** Less than the header's own coarseness is no difference. */
const COARSE_MS = 2000;
/** A measure that is older is taken anew before anything is sent that was made meanwhile. */
const FRESH_MS = 60_000;

/** Server's time less the device's, milliseconds, as it was measured last; null: it never was. */
let ahead: number | null = null;
let heard: { readonly steady: number; readonly wall: number } | null = null;

void kv.getItem(KEPT).then(
  (kept) => {
    // What was measured meanwhile is newer.
    if (kept !== null && Number.isFinite(Number(kept))) ahead ??= Number(kept);
  },
  () => undefined,
);

/** An answer came: its Date header says what the server's clock shows, to the second. */
export function hearServerTime(header: string | null): void {
  const theirs = header === null ? Number.NaN : Date.parse(header);
  if (Number.isNaN(theirs)) return;
  const difference = theirs - Date.now();
  const measured = Math.abs(difference) < COARSE_MS ? 0 : difference;
  if (ahead === null || Math.abs(measured - ahead) >= COARSE_MS)
    void kv.setItem(KEPT, String(measured)).catch(() => undefined);
  ahead = measured;
  heard = { steady: performance.now(), wall: Date.now() };
}

/** Milliseconds that the server's clock was ahead of this device's, as it was measured last; null: it never was. */
export const clockAhead = (): number | null => ahead;

/** Whether it was measured just now, by a count that no change of the device's clock moves and by that clock. */
export function isMeasured(): boolean {
  if (heard === null) return false;
  const isYoung = (ms: number): boolean => ms >= 0 && ms < FRESH_MS;
  return isYoung(performance.now() - heard.steady) && isYoung(Date.now() - heard.wall);
}

/** The time as the yard's server has it, also while it cannot be reached. */
export const serverTime = (): Date => new Date(Date.now() + (ahead ?? 0));
