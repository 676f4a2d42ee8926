import { chanceOfAtMost, meanHoursPerDay, type UseRate } from './useRate';

export interface HoursForecast {
  readonly expected: number;
  /** One time in ten it is below this. */
  readonly low: number;
  /** One time in ten it is above this. */
  readonly high: number;
}

/**
 * Running hours to expect from so many days on hire, with an 80 % band.
 * In: belief, hire days (0 or less: nothing runs). Out: whole hours for the band, expected not rounded.
 * Source: quantiles of the negative binomial predictive, found by stepping; see useRate.
 * Example: belief shape 10, rate 2, over 3 days: expected 15.
 */
export function forecastHours(belief: UseRate, hireDays: number): HoursForecast {
  if (hireDays <= 0) return { expected: 0, low: 0, high: 0 };
  return {
    expected: meanHoursPerDay(belief) * hireDays,
    low: quantile(belief, hireDays, 0.1),
    high: quantile(belief, hireDays, 0.9),
  };
}

function quantile(belief: UseRate, days: number, probability: number): number {
  let top = 1;
  while (chanceOfAtMost(belief, days, top) < probability) top *= 2;
  let below = -1;
  while (top - below > 1) {
    const middle = Math.floor((top + below) / 2);
    if (chanceOfAtMost(belief, days, middle) >= probability) top = middle;
    else below = middle;
  }
  return top;
}
