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
  const spread = (days: number): readonly [successes: number, chance: number] => {
    const onHire = days * shareOnHire;
    return spreadOver(use, onHire, onHire / HIRE_DAYS.value);
  };
  const chance = (days: number): number => 1 - cdf(Math.ceil(hours) - 1, ...spread(days));
  const expected = reachedIn(hours, use, shareOnHire);
  const day = (wanted: number, z: number): number => dayOf(chance, wanted, nearDay(hours, expected, z, spread));
  return { early: day(0.1, TENTH), expected, late: day(0.9, -TENTH) };
}

/** The same without its band, which is what takes time: days from now until so many more running hours are expected, up to FURTHEST. */
export const reachedIn = (hours: number, use: UseRate, shareOnHire: number): number =>
  Math.min(Math.max(hours, 0) / Math.max(meanHoursPerDay(use) * shareOnHire, 1e-9), FURTHEST.value);

/** The standard normal deviate that one in ten is above (Abramowitz and Stegun 1964, table 26.5). */
const TENTH = 1.2816;

/** Where the day would lie, were the hours normal: a guess that costs nothing beside the chance itself. */
function nearDay(
  hours: number,
  expected: number,
  z: number,
  spread: (days: number) => readonly [successes: number, chance: number],
): number {
  let days = expected;
  for (let round = 0; round < 3; round++) {
    const [successes, chance] = spread(days);
    const mean = (successes * (1 - chance)) / chance;
    const reach = mean + z * Math.sqrt(mean / chance);
    days = Math.min(days * Math.min(Math.max(hours / Math.max(reach, HUNDREDTH), 1 / STRIDE), STRIDE), FURTHEST.value);
  }
  return days;
}

/** So near is near enough, days; of far days a thousandth. */
const HUNDREDTH = 0.01;
const STRIDE = 1.6;
/** So far from the guess the day is looked for first. */
const BESIDE = 1.15;

/**
 * The day, to a hundredth or a thousandth of it, on which the chance is this much, looked for from a guess on. The chance grows with the days, so the day
 * lies between two that are drawn together: false position, an end that stands still weighed half (the Illinois rule: Dowell and Jarratt, BIT 11,
 * 1971).
 */
function dayOf(chance: (days: number) => number, wanted: number, guess: number): number {
  const near = Math.max(HUNDREDTH, guess / 1000);
  let { low, under, high, over } = around((days) => chance(days) - wanted, wanted, guess);
  if (over < 0) return FURTHEST.value;
  let stood: 'low' | 'high' | null = null;
  while (high - low > near) {
    const drawn = low + ((high - low) * under) / (under - over);
    // Never so near to an end that the other one would stand for ever.
    const day = Math.min(Math.max(drawn, low + near / 2), high - near / 2);
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

/** Two days about a guess, and how far the chance is below and above what is wanted there; it may be below on both where the later is the furthest. */
function around(off: (days: number) => number, wanted: number, guess: number) {
  let [low, under, high, over] = [0, -wanted, guess, off(guess)];
  if (over > 0) {
    const beside = off(guess / BESIDE);
    if (beside < 0) [low, under] = [guess / BESIDE, beside];
    else [high, over] = [guess / BESIDE, beside];
  }
  for (let stride = BESIDE; over < 0 && high < FURTHEST.value; stride = STRIDE) {
    [low, under] = [high, over];
    high = Math.min(high * stride, FURTHEST.value);
    over = off(high);
  }
  return { low, under, high, over };
}
