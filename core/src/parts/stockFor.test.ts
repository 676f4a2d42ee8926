import fc from 'fast-check';
import jStat from 'jstat';
import { stockFor } from './index';

const demand = { used: 4, days: 120, serviceIn: [5, 20, 60], leadDays: 7 };

/** The smallest count within which Poisson demand stays at a level, by summing another library's probabilities. */
function smallest(mean: number, level: number): number {
  let count = 0;
  while (jStat.poisson.cdf(count, mean) < level) count++;
  return count;
}

test('its worked example: repairs over the lead time, and the service that falls due before an order comes', () => {
  expect(stockFor(demand, 0.95)).toEqual({ perDay: 4 / 120, serviceWants: 1, orderBelow: 2, orderUpTo: 5 });
  expect(stockFor({ ...demand, serviceIn: [] }, 0.95).orderBelow).toBe(1);
  expect(stockFor({ ...demand, serviceIn: [7] }, 0.95).serviceWants).toBe(1);
});

test('Poisson, as another statistics library has it', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 200 }),
      fc.integer({ min: 1, max: 60 }),
      fc.constantFrom(0.8, 0.9, 0.95, 0.99),
      (used, leadDays, level) => {
        const { orderBelow, orderUpTo } = stockFor({ used, days: 365, serviceIn: [], leadDays }, level);
        expect(orderBelow).toBe(used === 0 ? 0 : smallest((used / 365) * leadDays, level));
        expect(orderUpTo).toBe(used === 0 ? 0 : smallest((used / 365) * (leadDays + 30), level));
      },
    ),
    { numRuns: 60 },
  );
});

test('more came back than was put on: nothing is asked; what is just new counts as here for two months', () => {
  expect(stockFor({ used: -2, days: 100, serviceIn: [], leadDays: 7 }, 0.99)).toMatchObject({
    ...{ perDay: 0, orderBelow: 0, orderUpTo: 0 },
  });
  expect(stockFor({ used: 1, days: 1, serviceIn: [], leadDays: 7 }, 0.95).perDay).toBeCloseTo(1 / 60, 12);
});
