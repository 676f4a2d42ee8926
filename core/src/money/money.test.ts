import fc from 'fast-check';
import { rivalsOf, reckonWays, type WayAsked } from './index';

const plain: WayAsked = {
  centsPerHour: 6000,
  dayCents: 0,
  shareOut: 0,
  accessMinutes: 0,
  mend: { minutes: 60, partsCents: 1000, leadDays: 0, success: 1 },
  replace: null,
  swap: null,
  comeback: { mend: 0, replace: 0, 'swap-engine': 0 },
  risks: [],
  soundCents: 0,
  scrapCents: 0,
  swapAddsCents: 0,
  daysToReplace: 0,
};
const full: WayAsked = {
  ...plain,
  dayCents: 8000,
  shareOut: 0.5,
  replace: { minutes: 40, partsCents: 5400, leadDays: 3 },
  swap: { minutes: 240, engineCents: 38_000, leadDays: 6, success: 0.9 },
  comeback: { mend: 0.1, replace: 0.05, 'swap-engine': 0.05 },
  soundCents: 110_000,
  scrapCents: 9000,
  swapAddsCents: 11_000,
  daysToReplace: 10,
};
const wayIn = (asked: WayAsked, way: string) => reckonWays(asked).ways.find((entry) => entry.way === way);

describe('the reckoning (a decision tree, common practice)', () => {
  test('its worked example: 60 min at 60.00 and parts 10.00, sure to hold, nothing lost and nothing worth: 70.00', () => {
    expect(wayIn(plain, 'mend')?.costCents).toBeCloseTo(7000, 9);
  });

  test('each line by hand: access, days, risks, comeback, failure, worth', () => {
    const asked = {
      ...full,
      accessMinutes: 60,
      risks: [{ id: 'x', odds: 0.25, minutes: 90 }],
      mend: { ...plain.mend, success: 0.5 },
    };
    const mend = wayIn(asked, 'mend');
    expect(mend?.handsCents).toBeCloseTo(12_000, 9);
    expect(mend?.daysCents).toBeCloseTo((120 / 360) * 8000 * 0.5, 6);
    expect(mend?.riskCents).toBeCloseTo(0.25 * 90 * 100, 9);
    expect(mend?.valueCents).toBeCloseTo(55_000, 9);
    const next = Math.min(
      ...reckonWays(asked)
        .ways.filter((way) => way.way !== 'mend')
        .map((way) => way.costCents),
    );
    expect(mend?.failCents).toBeCloseTo(0.5 * next, 6);
  });

  test('at the break-even odds mending costs what replacing does', () => {
    const asked = { ...full, mend: { ...full.mend, minutes: 90 } };
    const { breakEvenSuccess } = reckonWays(asked);
    expect(breakEvenSuccess).not.toBeNull();
    const there = { ...asked, mend: { ...asked.mend, success: breakEvenSuccess ?? 0 } };
    expect(wayIn(there, 'mend')?.costCents).toBeCloseTo(wayIn(there, 'replace')?.costCents ?? 0, 4);
  });

  test('a part that is not to be had leaves the other ways', () => {
    expect(
      reckonWays({ ...full, replace: null })
        .ways.map((way) => way.way)
        .sort(),
    ).toEqual(['mend', 'retire', 'swap-engine']);
  });

  test('all four ways by hand, the cheapest first', () => {
    const risks = [{ id: 'x', odds: 0.5, minutes: 60 }];
    const asked = { ...full, risks, mend: { ...plain.mend, success: 0.8, leadDays: 1 } };
    // A minute costs 100, a day out 8000 × ½; a risk of half an hour costs 3000. Nothing here is rounded.
    const retire = 10 * 4000 - 9000;
    const doing = (minutes: number, parts: number, days: number) => {
      const standing = (days + minutes / 360) * 4000;
      return { once: minutes * 100 + parts + standing, spent: minutes * 100 + parts + standing + 3000 };
    };
    const swap = doing(240, 38_000, 6);
    const swapCost = swap.spent + 0.9 * 0.05 * swap.once + 0.1 * retire - 0.9 * 121_000;
    const replace = doing(40, 5400, 3);
    const replaceCost = replace.spent + 0.05 * replace.once - 110_000;
    const mend = doing(60, 1000, 1);
    const next = Math.min(retire, swapCost, replaceCost);
    const mendCost = mend.spent + 0.8 * 0.1 * mend.once + 0.2 * next - 0.8 * 110_000;
    const { ways } = reckonWays(asked);
    for (const [way, cost] of Object.entries({ mend: mendCost, replace: replaceCost, 'swap-engine': swapCost, retire }))
      expect([way, wayIn(asked, way)?.costCents]).toEqual([way, expect.closeTo(cost, 6)]);
    const costs = ways.map((way) => way.costCents);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
    expect(wayIn(asked, 'retire')).toMatchObject({ daysCents: 40_000, valueCents: 9000, handsCents: 0 });
  });

  test('no break-even where mending is always better, or always worse', () => {
    const breakEven = (mend: Partial<WayAsked['mend']>, more: Partial<WayAsked> = {}) =>
      reckonWays({ ...full, ...more, mend: { ...full.mend, ...mend } }).breakEvenSuccess;
    expect(breakEven({ minutes: 5, partsCents: 0 })).toBeGreaterThan(0);
    expect(breakEven({ minutes: 5, partsCents: 0 })).toBeLessThan(1);
    expect(breakEven({ minutes: 5000 })).toBeNull();
    expect(breakEven({}, { replace: { minutes: 40, partsCents: 500_000, leadDays: 3 } })).toBeNull();
    expect(breakEven({}, { replace: null })).toBeNull();
    // Odds that change nothing have no point at which they decide.
    expect(
      reckonWays({ ...plain, replace: { minutes: 60, partsCents: 2000, leadDays: 0 } }).breakEvenSuccess,
    ).toBeNull();
  });

  test('better odds never make mending dearer while the unit is worth more than the next way costs', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.99, noNaN: true }),
        fc.double({ min: 0.001, max: 0.01, noNaN: true }),
        (success, more) => {
          const cost = (odds: number) =>
            wayIn({ ...full, mend: { ...full.mend, success: odds } }, 'mend')?.costCents ?? 0;
          const next = Math.min(
            ...reckonWays(full)
              .ways.filter((way) => way.way !== 'mend')
              .map((way) => way.costCents),
          );
          fc.pre(full.soundCents + next > 5000);
          expect(cost(success + more)).toBeLessThanOrEqual(cost(success) + 1e-6);
        },
      ),
    );
  });
});

describe('rival ways to put one thing right', () => {
  const bath = { title: 'Bath', minutes: 55, partsCents: 2200, holds: 0.82 };
  const fresh = { title: 'New', minutes: 25, partsCents: 5500, holds: 0.97 };
  const at = (ways: readonly (typeof bath)[]) => rivalsOf(ways, 7800);

  test('each costs itself, and where it does not hold the other after it', () => {
    const [first, second] = at([bath, fresh]);
    // By hand: 55 min at 78.00 an hour is 71.50, with parts 93.50; 25 min is 32.50, with parts 87.50.
    expect([first?.title, first?.expectedCents]).toEqual(['New', 8750 + Math.round(0.03 * 9350)]);
    expect([second?.title, second?.expectedCents]).toEqual(['Bath', 9350 + 0.18 * 8750]);
  });

  test('the break-even is where both cost the same', () => {
    const quick = { ...bath, minutes: 20, partsCents: 0, holds: 0.5 };
    const [first] = at([quick, fresh]);
    expect(first?.title).toBe('Bath');
    const evens = first?.breakEven ?? 0;
    const [one, other] = at([{ ...quick, holds: evens }, fresh]);
    expect(Math.abs((one?.expectedCents ?? 0) - (other?.expectedCents ?? 0))).toBeLessThanOrEqual(1);
    expect(at([{ ...quick, holds: evens + 0.02 }, fresh])[0]?.title).toBe('Bath');
    expect(at([{ ...quick, holds: evens - 0.02 }, fresh])[0]?.title).toBe('New');
  });

  test('of three, what does not hold is followed by the surest of the others', () => {
    const third = { title: 'Spray', minutes: 10, partsCents: 200, holds: 0.4 };
    const spray = at([bath, third, fresh]).find((way) => way.title === 'Spray');
    // 10 min is 13.00, with parts 15.00; in 60 of 100 a new one, 87.50, after it.
    expect(spray?.expectedCents).toBe(1500 + 0.6 * 8750);
  });

  test('one way alone is what it costs', () =>
    expect(at([bath])).toEqual([{ ...bath, expectedCents: 9350, breakEven: null }]));
});
