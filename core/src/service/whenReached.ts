import cdf from '@stdlib/stats-base-dists-negative-binomial-cdf';
import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import { meanHoursPerDay, spreadOver, type UseRate } from '../hours';

/** Days from now: one time in ten it is before `early`, one in ten after `late`. */
export interface WhenReached {
  readonly early: number;
  readonly expected: number;
  readonly late: number;
}

/** Nothing is foretold further than this. */
export const FURTHEST: Threshold = {
  name: 'No service is foretold further ahead than',
  value: 1096,
  unit: 'days',
  source: JUDGEMENT,
};

export const HIRE_DAYS: Threshold = { name: 'A hire is taken to last', value: 2, unit: 'days', source: JUDGEMENT };

/**
 * When so many more running hours are reached. In: hours (0 or less: now), belief in the use, share of days on hire (0 to 1). Out: days from
 * now, up to FURTHEST. The hours of so many days are negative binomial (see spreadOver), so the chance that they are reached grows with the
 * days, and its quantiles are found by halving. Example: 20 h at exactly 5 h a hire day, half the days on hire: about 8 days.
 */
export function whenReached(hours: number, use: UseRate, shareOnHire: number): WhenReached {
  if (hours <= 0) return { early: 0, expected: 0, late: 0 };
  const chance = (days: number): number => {
    const onHire = days * shareOnHire;
    return 1 - cdf(Math.ceil(hours) - 1, ...spreadOver(use, onHire, onHire / HIRE_DAYS.value));
  };
  const mean = hours / Math.max(meanHoursPerDay(use) * shareOnHire, 1e-9);
  return { early: dayOf(chance, 0.1), expected: Math.min(mean, FURTHEST.value), late: dayOf(chance, 0.9) };
}

/** The first day, to a hundredth, on which the chance is this much. */
function dayOf(chance: (days: number) => number, wanted: number): number {
  let [low, high] = [0, FURTHEST.value];
  if (chance(high) < wanted) return high;
  while (high - low > 0.01) {
    const middle = (low + high) / 2;
    if (chance(middle) < wanted) low = middle;
    else high = middle;
  }
  return high;
}
