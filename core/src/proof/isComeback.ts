const DAYS = 30;
const HOURS = 20;

/**
 * Whether the same trouble again is a comeback: within 30 days or 20 engine hours of the last proof, whichever is longer.
 * In: days since the proof, engine hours since it (null: not known). Example: 40 days and 6 hours is one.
 */
export const isComeback = (days: number, hours: number | null): boolean =>
  days <= DAYS || (hours !== null && hours <= HOURS);
