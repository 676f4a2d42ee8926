import fc from 'fast-check';
import { wakeOrder, type Sleeper } from './wakeOrder';

const tags = (units: readonly Sleeper[]) => wakeOrder(units).map(({ unit }) => unit.tag);
const one = (tag: string, wantedIn: number | null, minutes = 30): Sleeper => ({ tag, wantedIn, minutes });

/** The latest of them, in an order. */
const worst = (order: readonly Sleeper[]): number => {
  let after = 0;
  return Math.max(
    ...order.map(({ wantedIn, minutes }) => {
      after += minutes;
      return wantedIn === null ? 0 : Math.max(after - wantedIn * 1440, 0);
    }),
  );
};
const orders = (units: readonly Sleeper[]): Sleeper[][] =>
  units.length === 0
    ? [[]]
    : units.flatMap((unit) => orders(units.filter((other) => other !== unit)).map((rest) => [unit, ...rest]));

describe('the order of waking', () => {
  test('who goes out first, then who takes longest; whom nobody wants last, SN-9 before SN-10', () => {
    expect(
      tags([one('SN-10', null), one('SN-02', 9), one('SN-9', null), one('SN-01', 2), one('TI-01', 9, 60)]),
    ).toEqual(['SN-01', 'TI-01', 'SN-02', 'SN-9', 'SN-10']);
  });

  test('work adds up; what cannot be in time is said by how much', () => {
    const wakes = wakeOrder([one('A', 0.01, 30), one('B', 0.05, 60), one('C', -1, 10), one('D', null, 5)]);
    expect(wakes.map(({ unit, after }) => [unit.tag, after])).toEqual([
      ['C', 10],
      ['A', 40],
      ['B', 100],
      ['D', 105],
    ]);
    expect(wakes.map(({ lateBy }) => Math.round(lateBy))).toEqual([1450, 26, 28, 0]);
  });

  test('no other order has the latest of them less late (Jackson 1955), of all orders', () => {
    const sleeper = fc.record({
      tag: fc.constantFrom('A', 'B', 'C'),
      wantedIn: fc.option(fc.double({ min: 0, max: 0.2, noNaN: true })),
      minutes: fc.integer({ min: 5, max: 120 }),
    });
    fc.assert(
      fc.property(fc.array(sleeper, { minLength: 1, maxLength: 5 }), (units) => {
        const found = Math.max(...wakeOrder(units).map(({ lateBy }) => lateBy));
        expect(found).toBeLessThanOrEqual(Math.min(...orders(units).map(worst)) + 1e-9);
      }),
      { numRuns: 60 },
    );
  });
});
