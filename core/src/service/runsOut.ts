import type { ItemState } from './itemState';

interface BookedHire {
  readonly reference: string;
  readonly fromAt: Date;
  readonly toAt: Date;
}

const DAY_MS = 86_400_000;

/**
 * The first booked hire during which an item falls due. In: its state, the unit's bookings in their order, hours to be expected a day on hire.
 * Out: the hire's reference; null where all of them fit in, or where it is overdue already (that is said by itself).
 * Example: 12 h left, two hires of 2 days at 5 h: the second.
 */
export function runsOutDuring(
  { hoursLeft, dueAt, share }: Pick<ItemState, 'hoursLeft' | 'dueAt' | 'share'>,
  hires: readonly BookedHire[],
  hoursPerDay: number,
): string | null {
  if (share < 0) return null;
  let left = hoursLeft ?? Infinity;
  for (const { reference, fromAt, toAt } of hires) {
    left -= (hoursPerDay * (toAt.getTime() - fromAt.getTime())) / DAY_MS;
    if (left < 0 || (dueAt !== null && dueAt <= toAt)) return reference;
  }
  return null;
}

/**
 * How an item stands when a unit goes out for so many days from now. In: its state, hours to be expected a day on hire, days (0 or more).
 * Out: overdue now, runs out meanwhile, or lasts. Example: 12 h left, 3 days at 5 h: it runs out.
 */
export function onHire(
  { hoursLeft, daysLeft, share }: Pick<ItemState, 'hoursLeft' | 'daysLeft' | 'share'>,
  hoursPerDay: number,
  days: number,
): 'overdue' | 'runs-out' | 'lasts' {
  if (share < 0) return 'overdue';
  const isOver = (hoursLeft ?? Infinity) < hoursPerDay * days || (daysLeft ?? Infinity) < days;
  return isOver ? 'runs-out' : 'lasts';
}
