import fc from 'fast-check';
import { seeded } from '../diagnosis/seeded';
import { draw } from './spread';
import {
  flipsOf,
  reckonWays,
  rivalsOf,
  roundMoney,
  shrunkOdds,
  spreadOfWay,
  worthOf,
  type Doing,
  type WaysAsked,
} from './index';

const MEND: Doing = { way: 'mend', title: 'Mend', minutes: 60, partsCents: 1000, leadDays: 0, holds: 1, comeback: 0 };
const NEW: Doing = {
  way: 'replace',
  title: 'New',
  minutes: 40,
  partsCents: 5400,
  leadDays: 3,
  holds: 1,
  comeback: 0.05,
};
const ENGINE: Doing = {
  way: 'swap-engine',
  title: 'Another engine',
  minutes: 240,
  partsCents: 38_000,
  leadDays: 6,
  holds: 0.9,
  comeback: 0.05,
};
const plain: WaysAsked = {
  centsPerHour: 6000,
  dayCents: 0,
  shareOut: 0,
  accessMinutes: 0,
  doings: [MEND],
  wrong: 0,
  anew: { minutes: 0, partsCents: 0 },
  risks: [],
  soundCents: 0,
  scrapCents: 0,
  swapAddsCents: 0,
  open: { minutes: 0, partsCents: 0 },
  daysToReplace: 0,
};
const full: WaysAsked = {
  ...plain,
  dayCents: 8000,
  shareOut: 0.5,
  doings: [{ ...MEND, comeback: 0.1 }, NEW, ENGINE],
  soundCents: 110_000,
  scrapCents: 9000,
  swapAddsCents: 11_000,
  daysToReplace: 10,
};
const wayIn = (asked: WaysAsked, way: string) => reckonWays(asked).find((entry) => entry.way === way);
const withMend = (asked: WaysAsked, change: Partial<Doing>): WaysAsked => ({
  ...asked,
  doings: asked.doings.map((one) => (one.way === 'mend' ? { ...one, ...change } : one)),
});

describe('the reckoning (a decision tree, common practice)', () => {
  test('its worked example: 60 min at 60.00 and parts 10.00, sure to hold, nothing lost and nothing worth: 70.00', () => {
    expect(wayIn(plain, 'mend')?.costCents).toBeCloseTo(7000, 9);
  });

  test('all ways by hand, to the cent: hands, days, risks, comeback, what fails, what stands open, worth', () => {
    const risks = [{ id: 'x', odds: 0.5, minutes: 60 }];
    const asked = withMend({ ...full, risks, open: { minutes: 30, partsCents: 4000 } }, { holds: 0.8, leadDays: 1 });
    // A minute costs 100, a day out 8000 × ½; a risk of half an hour costs 3000. Nothing here is rounded.
    const retire = 10 * 4000 - 9000;
    const doing = (minutes: number, parts: number, days: number) => {
      const standing = (days + minutes / 360) * 4000;
      return { once: minutes * 100 + parts + standing, spent: minutes * 100 + parts + standing + 3000 };
    };
    const worth = 110_000 - 7000;
    const [mend, fresh, swap] = [doing(60, 1000, 1), doing(40, 5400, 3), doing(240, 38_000, 6)];
    // What fails goes on with the best of what is left: a new part always holds, mending first and that after it is better.
    const freshAfter = fresh.spent + 0.05 * fresh.once - worth;
    const mendCost = mend.spent + 0.8 * 0.1 * mend.once + 0.2 * freshAfter - 0.8 * worth;
    const swapCost =
      swap.spent + 0.9 * 0.05 * swap.once + 0.1 * Math.min(mendCost, freshAfter) - 0.9 * (worth + 11_000);
    const wanted = { mend: mendCost, replace: freshAfter, 'swap-engine': swapCost, retire };
    for (const [way, cost] of Object.entries(wanted))
      expect([way, wayIn(asked, way)?.costCents]).toEqual([way, expect.closeTo(cost, 6)]);
    const costs = reckonWays(asked).map((way) => way.costCents);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
    expect(wayIn(asked, 'retire')).toMatchObject({ daysCents: 40_000, valueCents: 9000, handsCents: 0 });
    for (const way of reckonWays(asked)) {
      const lines = way.handsCents + way.partsCents + way.daysCents + way.riskCents + way.comebackCents;
      expect(lines + way.failCents + way.wrongCents + way.openCents - way.valueCents).toBeCloseTo(way.costCents, 6);
    }
  });

  test('where what was found is not it, finding anew comes on top; another engine does not hang on what was found', () => {
    const asked = { ...full, wrong: 0.2, anew: { minutes: 0, partsCents: 12_000 } };
    const mend = withMend(asked, {}).doings[0];
    const once = 6000 + 1000 + (60 / 360) * 4000;
    // Found anew it is still worth keeping: 120.00 less the 1100.00 that it is worth then.
    const cost = once + 0.8 * (mend?.comeback ?? 0) * once + 0.2 * (12_000 - 110_000) - 0.8 * 110_000;
    expect(wayIn(asked, 'mend')?.costCents).toBeCloseTo(cost, 6);
    expect(wayIn(asked, 'swap-engine')?.wrongCents).toBe(0);
    // Where finding anew costs more than the unit is worth it is let go.
    expect(wayIn({ ...asked, anew: { minutes: 0, partsCents: 200_000 } }, 'mend')?.wrongCents).toBeCloseTo(
      0.2 * 40_000,
      6,
    );
  });

  test('of several that are left the best is taken, and none is tried twice', () => {
    const never = (way: Doing) => ({ ...way, holds: 0 });
    const asked = { ...full, doings: [never(full.doings[0] ?? MEND), never(NEW), never(ENGINE)] };
    // Nothing holds: each is spent once, in whatever order is best, and it is let go at the end.
    expect(wayIn(asked, 'mend')).toMatchObject({ failCents: 40_000, valueCents: 9000 });
    expect(reckonWays(asked)[0]?.way).toBe('retire');
  });
});

describe('how far it may lie from that', () => {
  test('the mean of what is drawn is the expected cost; its tenth and ninetieth lie about it', () => {
    const asked = {
      ...withMend(full, { holds: 0.7 }),
      wrong: 0.1,
      anew: { minutes: 0, partsCents: 15_000 },
      risks: [{ id: 'x', odds: 0.3, minutes: 90 }],
    };
    const [mend] = asked.doings;
    if (mend === undefined) throw new Error('no mend');
    const random = seeded(11);
    const { lowCents, highCents } = spreadOfWay(asked, mend, random);
    const expected = wayIn(asked, 'mend')?.costCents ?? 0;
    expect(lowCents).toBeLessThan(expected);
    expect(highCents).toBeGreaterThan(expected);
    const many = Array.from({ length: 20_000 }, () => draw(asked, mend, asked.doings, random));
    expect(Math.abs(many.reduce((sum, one) => sum + one, 0) / many.length - expected)).toBeLessThan(600);
    const inside = many.filter((one) => one >= lowCents && one <= highCents).length / many.length;
    expect(inside).toBeGreaterThan(0.76);
    expect(inside).toBeLessThan(0.84);
  });

  test('what is certain has no spread: letting it go', () =>
    expect(spreadOfWay(full, null, seeded(1))).toEqual({ lowCents: 31_000, highCents: 31_000 }));

  test('the same seed gives the same', () =>
    expect(spreadOfWay(full, NEW, seeded(5))).toEqual(spreadOfWay(full, NEW, seeded(5))));
});

describe('what would change this', () => {
  test('a price at which the other way is as good, by hand', () => {
    const asked = { ...plain, soundCents: 500_000, doings: [MEND, { ...NEW, leadDays: 0, comeback: 0 }] };
    // Mending is 60.00 + 10.00, a new part 40.00 + 54.00: parts of 34.00, 84 minutes, or holding in 70 of 94 would make them even.
    const flips = flipsOf(asked);
    expect(flips[0]).toMatchObject({ input: 'holds', at: expect.closeTo(70 / 94, 6), way: 'replace' });
    expect(flips[1]).toMatchObject({ input: 'minutes', now: 60, at: expect.closeTo(84, 4) });
    expect(flips.find(({ input }) => input === 'parts')).toMatchObject({ now: 1000, at: expect.closeTo(3400, 2) });
    expect(flips.map(({ now, at }) => Math.abs(Math.log(at / now)))).toEqual(
      [...flips.map(({ now, at }) => Math.abs(Math.log(at / now)))].sort((a, b) => a - b),
    );
  });

  test('an answer that nothing within a fifth and five times changes has none', () =>
    expect(flipsOf({ ...plain, doings: [{ ...MEND, minutes: 1, partsCents: 0 }], soundCents: 1_000_000 })).toEqual([]));

  test('every flip that is named is one: just before it the answer stands, at it another does (property)', () => {
    const changed = fc.record({
      minutes: fc.integer({ min: 5, max: 400 }),
      holds: fc.double({ min: 0.1, max: 1, noNaN: true }),
      soundCents: fc.integer({ min: 1000, max: 200_000 }),
      shareOut: fc.double({ min: 0.01, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(changed, ({ minutes, holds, ...more }) => {
        const asked = withMend({ ...full, ...more }, { minutes, holds });
        const [first] = reckonWays(asked);
        for (const { input, now, at, title } of flipsOf(asked)) {
          expect(title).not.toBe(first?.title);
          if (input !== 'worth') continue;
          const there = (soundCents: number) => reckonWays({ ...asked, soundCents })[0]?.title;
          expect([there(at), there(at + (now - at) * 0.001)]).toEqual([title, first?.title]);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('worth, odds and how money is said', () => {
  test('half of it goes in its half-life of hours, half of the rest in that of years', () => {
    const half = { hours: 2000, years: 8 };
    expect(worthOf(110_000, { hours: 0, years: 0 }, half, 9000)).toBe(110_000);
    expect(worthOf(110_000, { hours: 2000, years: 0 }, half, 9000)).toBe(55_000);
    expect(worthOf(110_000, { hours: 1000, years: 4 }, half, 9000)).toBeCloseTo(55_000, 6);
    expect(worthOf(110_000, { hours: 30_000, years: 40 }, half, 9000)).toBe(9000);
  });

  test('odds are shrunk to the built-in ones by how many cases stand behind those (Gelman et al., BDA, 3rd ed., 2.4)', () => {
    expect(shrunkOdds(0.1, 20, 10, 3)).toBeCloseTo(5 / 30, 12);
    expect(shrunkOdds(0.1, 20, 0, 0)).toBe(0.1);
  });

  test.each([
    [17_338, 17_500],
    [1234, 1200],
    [-17_338, -17_500],
    [123_456, 123_000],
    [1_234_567, 1_235_000],
    [0, 0],
  ])('%d cents are said as %d', (cents, said) => expect(roundMoney(cents)).toBe(said));
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
