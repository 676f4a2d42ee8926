import cdf from '@stdlib/stats-base-dists-negative-binomial-cdf';
import { JUDGEMENT, type Threshold, type UseRate } from '../catalogue/shapes';

export type { UseRate };

/** What one past hire, or a whole class, tells about running hours per day of hire. */
export interface HireUse {
  /** Running hours in the hire, 0 or more. */
  readonly hours: number;
  /** Days on hire, more than 0. */
  readonly days: number;
}

export const SPREAD_WORTH: Threshold = {
  name: 'The class’s spread between hires is worth so many hires',
  value: 8,
  unit: 'hires',
  source: JUDGEMENT,
};

/**
 * How hard this unit is worked: its own hires, shrunk to its class.
 * In: the class's belief (shape h, rate d, both > 0; spread between hires, from 0) and the unit's past hires. Out: the belief after them.
 * A unit new to the yard, with no hires, behaves like its class. One hirer splits a cord, the next three: hours over hires are spread more
 * than counts are (negative binomial), so a long hire tells less than its hours: it is weighed by 1 ÷ (1 + spread × hours expected of it).
 * Source: Gamma-Poisson conjugacy (Gelman et al., Bayesian Data Analysis, 3rd ed., 2.6); weights of the negative binomial's quasi-likelihood
 * (McCullagh & Nelder, Generalized Linear Models, 2nd ed., 9.2).
 * Example: class (shape 4, rate 1, no spread) and one hire of 6 h in 2 days gives shape 10, rate 3: 3.33 h a day.
 */
export function learnUseRate(ofClass: UseRate, hires: readonly HireUse[]): UseRate {
  const spread = ofClass.hireSpread ?? 0;
  const weightOf = ({ days }: HireUse): number => 1 / (1 + spread * meanHoursPerDay(ofClass) * days);
  const { shape, rate } = hires.reduce(
    (belief, hire) => ({
      shape: belief.shape + hire.hours * weightOf(hire),
      rate: belief.rate + hire.days * weightOf(hire),
    }),
    ofClass,
  );
  return ofClass.hireSpread === undefined
    ? { shape, rate }
    : { shape, rate, hireSpread: learnSpread(spread, shape / rate, hires) };
}

/** The spread between hires by its moments, shrunk to the class's: variance over hires = mean + spread × mean². */
function learnSpread(ofClass: number, perDay: number, hires: readonly HireUse[]): number {
  const squares = hires.reduce((sum, { days }) => sum + (perDay * days) ** 2, 0);
  if (squares === 0) return ofClass;
  const over = hires.reduce((sum, { hours, days }) => sum + (hours - perDay * days) ** 2 - perDay * days, 0);
  return (
    (SPREAD_WORTH.value * ofClass + hires.length * Math.max(over / squares, 0)) / (SPREAD_WORTH.value + hires.length)
  );
}

export const meanHoursPerDay = (belief: UseRate): number => belief.shape / belief.rate;

/**
 * How the running hours of so many days are spread: a negative binomial, as successes and chance of success.
 * In: belief, days over 0, over how many hires they go (1 at least: hires even each other out). Out: with mean m its variance is
 * m + m² × (1/shape + spread/hires × (1 + 1/shape)): counting, not knowing the unit, and hires unlike each other.
 */
export function spreadOver(
  { shape, rate, hireSpread = 0 }: UseRate,
  days: number,
  hires = 1,
): readonly [successes: number, chance: number] {
  const successes = 1 / (1 / shape + (hireSpread / Math.max(hires, 1)) * (1 + 1 / shape));
  return [successes, successes / (successes + (shape / rate) * days)];
}

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
