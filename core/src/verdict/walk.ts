import type { Station } from '../catalogue/shapes';

/** The least seconds in which a station can be looked at: the sum of its checks. */
export const leastSeconds = (station: Station): number =>
  station.checks.reduce((sum, check) => sum + check.leastSeconds, 0);

/**
 * Whether a station was passed faster than it can be looked at.
 * In: the station and the seconds spent on it. Out: true when under half of the least seconds: a trained eye takes in
 * several checks at once (judgement). Example: a station of 10 least seconds passed in 4 was hurried, in 5 it was not.
 */
export const wasHurried = (station: Station, seconds: number): boolean => seconds < leastSeconds(station) / 2;
