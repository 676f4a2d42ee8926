/** Server's time less the device's, milliseconds, as the last answer had it. */
let ahead = 0;

/** An answer came: its Date header says what the server's clock shows, to the second. */
export function hearServerTime(header: string | null): void {
  const theirs = header === null ? Number.NaN : Date.parse(header);
  if (Number.isNaN(theirs)) return;
  const difference = theirs - Date.now();
  // Less than the header's own coarseness is no difference.
  ahead = Math.abs(difference) < 2000 ? 0 : difference;
}

/** The time as the yard's server has it, also while it cannot be reached. */
export const serverTime = (): Date => new Date(Date.now() + ahead);
