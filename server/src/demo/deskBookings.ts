import type { DeskBooking } from '../standins/bookingDesk';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** What the demo's booking desk has taken: hires of the coming days, of classes and of one unit. */
export function deskBookings(now: Date): DeskBooking[] {
  const morning = new Date(now);
  morning.setHours(8, 0, 0, 0);
  const span = (inDays: number, days: number) => ({
    from: new Date(morning.getTime() + inDays * DAY_MS).toISOString(),
    to: new Date(morning.getTime() + (inDays + days) * DAY_MS - 2 * HOUR_MS).toISOString(),
  });
  return [
    { uid: 'D-501', classId: 'generator', hirer: 'Boat slip, north pier', ...span(2, 3) },
    { uid: 'D-502', classId: 'snowblower', hirer: 'Cabins above the lake', ...span(3, 2) },
    { uid: 'D-503', classId: 'log-splitter', hirer: 'Orchard on the slope', ...span(4, 1) },
  ];
}
