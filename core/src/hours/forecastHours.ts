import quantile from '@stdlib/stats-base-dists-negative-binomial-quantile';
import { meanHoursPerDay, spreadOver, type UseRate } from './useRate';

export interface HoursForecast {
  readonly expected: number;
  /** One time in ten it is below this. */
  readonly low: number;
  /** One time in ten it is above this. */
  readonly high: number;
}

/**
 * Running hours to expect from so many days on hire, with an 80 % band.
 * In: belief, hire days (0 or less: nothing runs), over how many hires. Out: whole hours for the band, expected not rounded.
 * Source: quantiles of the negative binomial predictive; see useRate.
 * Example: belief shape 10, rate 2, over 3 days: expected 15.
 */
export function forecastHours(belief: UseRate, hireDays: number, hires = 1): HoursForecast {
  if (hireDays <= 0) return { expected: 0, low: 0, high: 0 };
  const spread = spreadOver(belief, hireDays, hires);
  return {
    expected: meanHoursPerDay(belief) * hireDays,
    low: quantile(0.1, ...spread),
    high: quantile(0.9, ...spread),
  };
}
