import type { BookedHire } from './coverHires';

/**
 * When a unit that is back is needed again: its own next hire, or the first hire of its class that may have any.
 * In: the unit, and hires that are booked. Out: the instant (ISO 8601), or null when nobody waits for it.
 */
export function neededAt(
  unit: Pick<BookedHire, 'classId'> & { readonly tag: string },
  booked: readonly BookedHire[],
): string | null {
  const [first] = booked
    .filter((hire) => (hire.tag === null ? hire.classId === unit.classId : hire.tag === unit.tag))
    .map((hire) => hire.fromAt)
    .sort();
  return first ?? null;
}

/** The order in which a pile is walked: what is needed first, then what nobody waits for. */
export const byNeed = (a: string | null, b: string | null): number =>
  a === b ? 0 : a === null ? 1 : b === null ? -1 : a.localeCompare(b);
