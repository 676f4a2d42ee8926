import { stateTable } from './stateTable';

export const HIRE_STATES = ['booked', 'out', 'back', 'ended', 'cancelled'] as const;
export type HireState = (typeof HIRE_STATES)[number];

/** A hire: booked, handed out, back on the yard, ended by the check-in. A unit may be checked in that nobody said was back. */
export const HIRE = stateTable<HireState, 'hand-out' | 'come-back' | 'check-in' | 'cancel'>({
  booked: { 'hand-out': 'out', cancel: 'cancelled' },
  out: { 'come-back': 'back', 'check-in': 'ended' },
  back: { 'check-in': 'ended' },
  ended: {},
  cancelled: {},
});

/** The unit is with a hirer, or back and not looked at. */
export const HIRES_GOING_ON: readonly HireState[] = ['out', 'back'];
/** The unit is promised. */
export const HIRES_PROMISED: readonly HireState[] = ['booked', 'out', 'back'];
