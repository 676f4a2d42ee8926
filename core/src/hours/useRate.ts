import cdf from '@stdlib/stats-base-dists-negative-binomial-cdf';
import type { UseRate } from '../catalogue/shapes';

export type { UseRate };

/** What one past hire, or a whole class, tells about running hours per day of hire. */
export interface HireUse {
  /** Running hours in the hire, 0 or more. */
  readonly hours: number;
  /** Days on hire, more than 0. */
  readonly days: number;
}

/**
 * How hard this unit is worked: its own hires, shrunk to its class.
 * In: the class's belief (shape h, rate d, both > 0) and the unit's past hires. Out: the belief after them.
 * A unit new to the yard, with no hires, behaves like its class.
 * Source: Gamma-Poisson conjugacy (Gelman et al., Bayesian Data Analysis, 3rd ed., 2.6).
 * Example: class (shape 4, rate 1) and one hire of 6 h in 2 days gives shape 10, rate 3: 3.33 h a day.
 */
export function learnUseRate(ofClass: UseRate, hires: readonly HireUse[]): UseRate {
  return hires.reduce((belief, hire) => ({ shape: belief.shape + hire.hours, rate: belief.rate + hire.days }), ofClass);
}

export const meanHoursPerDay = (belief: UseRate): number => belief.shape / belief.rate;

/** How the running hours of so many days are spread: a negative binomial, as successes and chance of success. */
export const spreadOver = ({ shape, rate }: UseRate, days: number): readonly [successes: number, chance: number] => [
  shape,
  rate / (rate + days),
];

/**
 * The chance of at most so many hours in a hire of so many days.
 * In: belief, days > 0, hours (counted in whole hours, rounded down; below 0 gives 0). Out: probability 0 to 1.
 * Source: the predictive of a Gamma-Poisson is negative binomial (Gelman et al., Bayesian Data Analysis, 3rd ed., 2.6).
 * Example: see useRate.test.ts, checked against the incomplete beta function of another library.
 */
export const chanceOfAtMost = (belief: UseRate, days: number, hours: number): number =>
  cdf(Math.floor(hours), ...spreadOver(belief, days));

/** The chance of at least so many hours (rounded down) in a hire of so many days. */
export const chanceOfAtLeast = (belief: UseRate, days: number, hours: number): number =>
  1 - chanceOfAtMost(belief, days, Math.floor(hours) - 1);

/** An odds phrase, "1 in 400": two figures at most, never "1 in 0". */
export function oneIn(probability: number): number {
  const n = 1 / Math.max(probability, 1e-6);
  const step = 10 ** Math.max(0, Math.floor(Math.log10(n)) - 1);
  return Math.max(1, Math.round(n / step) * step);
}
