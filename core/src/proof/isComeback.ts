import { COMMON_PRACTICE, type Threshold } from '../catalogue/shapes';

export const COMEBACK_DAYS: Threshold = {
  name: 'The same trouble within so many days of its proof is a comeback',
  value: 30,
  unit: 'days',
  source: COMMON_PRACTICE,
};
export const COMEBACK_HOURS: Threshold = {
  name: 'or within so many engine hours',
  value: 20,
  unit: 'h',
  source: COMMON_PRACTICE,
};

/**
 * Whether the same trouble again is a comeback: within 30 days or 20 engine hours of the last proof, whichever is longer.
 * In: days since the proof, engine hours since it (null: not known). Example: 40 days and 6 hours is one.
 */
export const isComeback = (days: number, hours: number | null): boolean =>
  days <= COMEBACK_DAYS.value || (hours !== null && hours <= COMEBACK_HOURS.value);
