import fc from 'fast-check';
import jStat from 'jstat';
import { seeded } from '../diagnosis/seeded';
import {
  chanceOfAtLeast,
  chanceOfAtMost,
  forecastHours,
  learnUseRate,
  meanHoursPerDay,
  oneIn,
  spreadOver,
  UNUSUAL_BELOW,
} from './index';

/** The distribution of the negative binomial by the regularised incomplete beta function (NIST DLMF 8.17). */
const cdfByBeta = (hours: number, successes: number, chance: number): number =>
  hours < 0 ? 0 : jStat.ibeta(chance, successes, hours + 1);

describe('Gamma-Poisson use', () => {
  test('the worked example: class 4/1 and one hire of 6 h in 2 days is 10/3', () => {
    const belief = learnUseRate({ shape: 4, rate: 1 }, [{ hours: 6, days: 2 }]);
    expect(belief).toEqual({ shape: 10, rate: 3 });
    expect(meanHoursPerDay(belief)).toBeCloseTo(10 / 3, 12);
  });

  test('posterior in closed form: shape and rate add up, whatever the order (Gelman et al., Bayesian Data Analysis, 2.6)', () => {
    const hire = fc.record({
      hours: fc.double({ min: 0, max: 200, noNaN: true }),
      days: fc.double({ min: 0.25, max: 30, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(hire, { maxLength: 12 }), (hires) => {
        const one = learnUseRate({ shape: 6, rate: 2 }, hires);
        const other = learnUseRate({ shape: 6, rate: 2 }, [...hires].reverse());
        expect(one.shape).toBeCloseTo(other.shape, 6);
        expect(one.rate).toBeCloseTo(2 + hires.reduce((sum, entry) => sum + entry.days, 0), 6);
      }),
    );
  });

  test('a unit without hires behaves like its class', () => {
    expect(learnUseRate({ shape: 6, rate: 2 }, [])).toEqual({ shape: 6, rate: 2 });
  });

  test('the tail against the negative binomial of another statistics library (its incomplete beta is good to 1e-8)', () => {
    for (const [shape, rate, days] of [
      [6, 2, 1],
      [30, 9, 3],
      [128.1, 23, 2.4],
      [4, 1, 14],
    ] as const) {
      const success = rate / (rate + days);
      for (const hours of [0, 1, 2, 5, 9, 20, 60]) {
        expect(chanceOfAtMost({ shape, rate }, days, hours)).toBeCloseTo(cdfByBeta(hours, shape, success), 7);
        expect(chanceOfAtLeast({ shape, rate }, days, hours + 1)).toBeCloseTo(1 - cdfByBeta(hours, shape, success), 7);
      }
    }
  });

  test('the 80 % band of a forecast holds its quantiles, by the other library', () => {
    const belief = { shape: 30, rate: 9 };
    const band = forecastHours(belief, 6);
    const cdf = (hours: number) => cdfByBeta(hours, belief.shape, belief.rate / (belief.rate + 6));
    expect(band.expected).toBeCloseTo(20, 10);
    expect(cdf(band.low)).toBeGreaterThanOrEqual(0.1);
    expect(cdf(band.low - 1)).toBeLessThan(0.1);
    expect(cdf(band.high)).toBeGreaterThanOrEqual(0.9);
    expect(cdf(band.high - 1)).toBeLessThan(0.9);
    expect(forecastHours(belief, 0)).toEqual({ expected: 0, low: 0, high: 0 });
  });

  test.each([
    [1 / 400, 400],
    [0.5, 2],
    [1 / 1234, 1200],
    [0, 1_000_000],
    [1, 1],
  ])('odds of %d are said as 1 in %d', (probability, said) => {
    expect(oneIn(probability)).toBe(said);
  });
});

describe('hires unlike each other', () => {
  const washer = { shape: 60, rate: 20, hireSpread: 1 / 3 };

  test('with a spread the variance is the mean and its square, as a negative binomial over hires has it', () => {
    const [successes, chance] = spreadOver(washer, 2);
    const mean = (successes * (1 - chance)) / chance;
    expect(mean).toBeCloseTo(6, 10);
    expect(mean / chance).toBeCloseTo(6 + 36 * (1 / 60 + (1 / 3) * (1 + 1 / 60)), 8);
    // Ten hires even each other out.
    expect(forecastHours(washer, 20, 10).high).toBeLessThan(forecastHours(washer, 20).high);
  });

  test('at most 1 in 20 honest hires is called unusual, after 12 hires or none (200 units, gamma hours of shape 3)', () => {
    const next = seeded(7);
    const gamma3 = (mean: number): number =>
      (-mean / 3) * (Math.log(1 - next()) + Math.log(1 - next()) + Math.log(1 - next()));
    for (const past of [0, 3, 12]) {
      let unusual = 0;
      for (let unit = 0; unit < 200; unit++) {
        const hires = Array.from({ length: past }, () => ({ hours: gamma3(3 * 2), days: 2 }));
        const use = learnUseRate({ shape: 6, rate: 2, hireSpread: 0.3 }, hires);
        const hours = gamma3(3 * 2);
        if (chanceOfAtLeast(use, 2, hours) < UNUSUAL_BELOW.value || chanceOfAtMost(use, 2, hours) < UNUSUAL_BELOW.value)
          unusual++;
      }
      expect(unusual).toBeLessThanOrEqual(10);
    }
  });

  test('a unit whose hires are alike comes to be trusted to be: three times its usual is unusual then', () => {
    const alike = learnUseRate(
      { shape: 6, rate: 2, hireSpread: 0.3 },
      Array.from({ length: 60 }, (_, at) => ({ hours: 5 + (at % 3), days: 2 })),
    );
    expect(alike.hireSpread).toBeLessThan(0.06);
    expect(chanceOfAtLeast(alike, 2, 18)).toBeLessThan(UNUSUAL_BELOW.value);
  });
});
