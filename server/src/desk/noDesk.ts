import type { BookingDesk } from './bookingDesk';

/** For programs that take in no hires from outside. */
export const NO_DESK: BookingDesk = { read: async () => ({ ok: false, problem: 'away' }) };
