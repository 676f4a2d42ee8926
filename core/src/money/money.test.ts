import fc from 'fast-check';
import { reckonWays, type WayAsked } from './index';

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
