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
  const expected = reachedIn(hours, use, shareOnHire);
  return { early: dayOf(chance, 0.1, expected), expected, late: dayOf(chance, 0.9, expected) };
}

/** The same without its band, which is what takes time: days from now until so many more running hours are expected, up to FURTHEST. */
export const reachedIn = (hours: number, use: UseRate, shareOnHire: number): number =>
  Math.min(Math.max(hours, 0) / Math.max(meanHoursPerDay(use) * shareOnHire, 1e-9), FURTHEST.value);

/** So near is near enough, days. */
const HUNDREDTH = 0.01;
const STRIDE = 1.6;

/**
 * The day, to a hundredth, on which the chance is this much, looked for from a guess on. The chance grows with the days, so the day lies
 * between two that are drawn together: false position, an end that stands still weighed half (the Illinois rule: Dowell and Jarratt, BIT 11,
 * 1971).
 */
function dayOf(chance: (days: number) => number, wanted: number, guess: number): number {
  let [low, under] = [0, -wanted];
  let [high, over] = [guess, chance(guess) - wanted];
  while (over < 0) {
    if (high >= FURTHEST.value) return FURTHEST.value;
    [low, under] = [high, over];
    high = Math.min(high * STRIDE, FURTHEST.value);
    over = chance(high) - wanted;
  }
  let stood: 'low' | 'high' | null = null;
  while (high - low > HUNDREDTH) {
    const drawn = low + ((high - low) * under) / (under - over);
    // Never so near to an end that the other one would stand for ever.
    const day = Math.min(Math.max(drawn, low + HUNDREDTH / 2), high - HUNDREDTH / 2);
    const off = chance(day) - wanted;
    if (off < 0) {
      [low, under] = [day, off];
      if (stood === 'high') over /= 2;
      stood = 'high';
    } else {
      [high, over] = [day, off];
      if (stood === 'low') under /= 2;
      stood = 'low';
    }
  }
  return high;
}
