import fc from 'fast-check';
import { FUELS, FUEL_IDS } from '../catalogue';
import {
  antifreezeFor,
  ethanolIn,
  eventsOfLayUp,
  litresOf,
  passportOf,
  pour,
  residualInBowl,
  stateOf,
  take,
  waterBeforeParting,
  type Blend,
  type FuelEvent,
} from './index';

const DAY = 86_400_000;
const portion = fc.record({
  litres: fc.double({ min: 0.01, max: 20, noNaN: true }),
  ethanol: fc.double({ min: 0, max: 1, noNaN: true }),
  boughtAt: fc.integer({ min: 0, max: 300 }).map((days) => days * DAY),
  keepsDays: fc.constantFrom(30, 90, 730),
  isUnknown: fc.boolean(),
});
const blends = fc.array(portion, { maxLength: 6 });

describe('a blend', () => {
  test('what is taken and what is left are what was there, ethanol too (property)', () => {
    fc.assert(
      fc.property(blends, fc.double({ min: 0, max: 150, noNaN: true }), (blend, litres) => {
        const { left, taken } = take(blend, litres);
        expect(litresOf(left) + litresOf(taken)).toBeCloseTo(litresOf(blend), 6);
        expect(ethanolIn(left) + ethanolIn(taken)).toBeCloseTo(ethanolIn(blend), 6);
        expect(litresOf(taken)).toBeCloseTo(Math.min(litres, litresOf(blend)), 6);
      }),
    );
  });

  test('is between its portions in ethanol, and stale when a tenth of it is, not before (property)', () => {
    fc.assert(
      fc.property(fc.array(portion, { minLength: 1, maxLength: 6 }), (blend) => {
        const now = 310 * DAY;
        const state = stateOf(blend, now);
        const ends = blend.map(({ boughtAt, keepsDays }) => boughtAt + keepsDays * DAY);
        expect(state?.ethanol).toBeGreaterThanOrEqual(Math.min(...blend.map(({ ethanol }) => ethanol)) - 1e-9);
        expect(state?.ethanol).toBeLessThanOrEqual(Math.max(...blend.map(({ ethanol }) => ethanol)) + 1e-9);
        expect(state?.staleBy).toBeGreaterThanOrEqual(Math.min(...ends) - 1);
        expect(state?.staleBy).toBeLessThanOrEqual(Math.max(...ends) + 1);
        const stale = (at: number) =>
          litresOf(blend.filter((one) => one.boughtAt + one.keepsDays * DAY <= at)) / litresOf(blend);
        expect(stale(state?.staleBy ?? 0)).toBeGreaterThanOrEqual(0.1 - 1e-6);
        expect(stale((state?.staleBy ?? 0) - 1)).toBeLessThan(0.1 + 1e-6);
        // Looked at on that day, it is spent.
        expect(stateOf(blend, Math.max(state?.staleBy ?? 0, now))?.spent).toBeGreaterThanOrEqual(1 - 1e-6);
      }),
    );
  });

  test('its worked example: fresh alkylate on top of old fuel makes it no fresher; a drop of old fuel spoils no tank', () => {
    const litre = { litres: 1, ethanol: 0.1, keepsDays: 30, isUnknown: false };
    const mixed = (old: number, fresh: number): Blend => [
      { ...litre, litres: fresh, keepsDays: 730, ethanol: 0, boughtAt: 31 * DAY },
      { ...litre, litres: old, boughtAt: 0 },
    ];
    expect(stateOf(mixed(9, 1), 31 * DAY)).toMatchObject({ ageDays: 31, spent: 31 / 30, staleBy: 30 * DAY });
    expect(stateOf(mixed(1, 9), 31 * DAY)).toMatchObject({ ageDays: 31, staleBy: 30 * DAY });
    expect(stateOf(mixed(0.5, 9), 31 * DAY)).toMatchObject({ ageDays: 0, spent: 0, staleBy: 761 * DAY });
    // Portions that are old together count together.
    const halves = [...mixed(0.6, 9), { ...litre, litres: 0.6, boughtAt: 5 * DAY }];
    expect(stateOf(halves, 31 * DAY)).toMatchObject({ ageDays: 26, staleBy: 35 * DAY });
    expect(stateOf([], 0)).toBeNull();
    expect(pour([], { ...litre, litres: 0, boughtAt: 0 })).toEqual([]);
  });
});

const poured = (at: number, litres: number, more: object = {}): FuelEvent => ({
  ...{ what: 'poured', at: at * DAY, litres, fuel: 'e10', boughtAt: at * DAY, isTreated: false },
  ...more,
});

describe('the fuel of a unit', () => {
  test('its worked example: 4 l poured into 8 l, read a quarter full: 2 l burnt', () => {
    const {
      blend,
      burnt,
      poured: came,
    } = passportOf([poured(1, 4), { what: 'level', at: 2 * DAY, share: 0.25 }], 8, 'e10');
    expect([litresOf(blend), burnt, came]).toEqual([2, 2, 4]);
  });

  test('a level over what was there is unknown pump fuel; a little off is how one reads a gauge', () => {
    const passport = (share: number) =>
      passportOf([poured(1, 4, { fuel: 'alkylate' }), { what: 'level', at: 5 * DAY, share }], 8, 'e5');
    const { blend } = passport(1);
    expect(litresOf(blend)).toBe(8);
    expect(stateOf(blend, 5 * DAY)).toMatchObject({ ethanol: 0.025, unknown: 0.5 });
    expect(passport(0.52).blend).toHaveLength(1);
    expect(passport(0.48).burnt).toBe(0);
    expect(litresOf(passport(0).blend)).toBe(0);
  });

  test('bought after it was poured in it is as old as that; read empty it is empty, whatever was left', () => {
    const { blend } = passportOf([poured(3, 2, { boughtAt: 9 * DAY })], 8, 'e10');
    expect(stateOf(blend, 4 * DAY)).toMatchObject({ ageDays: 1, staleBy: 33 * DAY });
    expect(passportOf([poured(1, 0.2), { what: 'level', at: 2 * DAY, share: 0 }], 8, 'e10').blend).toEqual([]);
  });

  test('what ran burnt: what the gauge shows beyond the rest was poured in on the way', () => {
    const { blend, burnt } = passportOf(
      [poured(1, 8), { what: 'ran', at: 3 * DAY, litres: 6 }, { what: 'level', at: 3 * DAY, share: 0.75 }],
      8,
      'e5',
    );
    expect([litresOf(blend), burnt]).toEqual([6, 6]);
    expect(stateOf(blend, 3 * DAY)?.unknown).toBeCloseTo(4 / 6, 9);
    const dry = passportOf([poured(1, 2), { what: 'ran', at: 2 * DAY, litres: 30 }], 8, 'e5');
    expect([dry.blend, dry.burnt]).toEqual([[], 2]);
  });

  test('seen or emptied it is known from then on; poured in or run since, it is reckoned', () => {
    const seen = (...events: FuelEvent[]) => {
      const { seenAt, ranSince } = passportOf(events, 8, 'e5');
      return [seenAt === null ? null : seenAt / DAY, ranSince];
    };
    const level: FuelEvent = { what: 'level', at: 3 * DAY, share: 0.5 };
    const ran: FuelEvent = { what: 'ran', at: 4 * DAY, litres: 1 };
    expect(seen(poured(1, 4))).toEqual([null, false]);
    expect(seen(poured(1, 4), level)).toEqual([3, false]);
    expect(seen(level, ran, poured(5, 1))).toEqual([3, true]);
    expect(seen(level, ran, { what: 'drained', at: 6 * DAY, litres: 1 })).toEqual([3, true]);
    expect(seen(level, ran, { what: 'drained', at: 6 * DAY, litres: null })).toEqual([6, false]);
    // At a return it ran first, and was looked at then.
    expect(seen({ ...ran, at: 5 * DAY }, { ...level, at: 5 * DAY })).toEqual([5, false]);
  });

  test('what does not fit runs over and is counted; a tank is never fuller than full', () => {
    const { blend, overflowed } = passportOf([poured(1, 6), poured(2, 6)], 8, 'e10');
    expect([litresOf(blend), overflowed]).toEqual([8, 4]);
  });

  test('where the fuel is: run dry, drained, wet again with the next fill', () => {
    const line: FuelEvent = { what: 'line', at: 3 * DAY, bowl: 'run-dry', isTapShut: true };
    expect(passportOf([poured(1, 2), line], 8, 'e10')).toMatchObject({ bowl: 'run-dry', isTapShut: true });
    expect(passportOf([poured(1, 2), line, poured(4, 1)], 8, 'e10').bowl).toBe('wet');
    const drained = passportOf([poured(1, 2), { what: 'drained', at: 2 * DAY, litres: null }], 8, 'e10');
    expect([litresOf(drained.blend), drained.drained]).toEqual([0, 2]);
  });

  test('stabiliser stretches what is left of fresh fuel in proportion, and does nothing for stale fuel', () => {
    const treatedAt = (days: number) =>
      stateOf(passportOf([poured(0, 4), { what: 'treated', at: days * DAY }], 8, 'e10').blend, days * DAY);
    expect(treatedAt(0)?.staleBy).toBeCloseTo(FUELS.e10.treatedDays * DAY, 0);
    expect(treatedAt(15)?.spent).toBeCloseTo(0.5, 9);
    expect(((treatedAt(15)?.staleBy ?? 0) - 15 * DAY) / DAY).toBeCloseTo(90, 6);
    expect(treatedAt(31)?.staleBy).toBeCloseTo(30 * DAY, 0);
    expect(stateOf(passportOf([poured(0, 4, { isTreated: true })], 8, 'e10').blend, 0)?.staleBy).toBeCloseTo(
      180 * DAY,
      0,
    );
  });

  const event: fc.Arbitrary<FuelEvent> = fc
    .tuple(
      fc.integer({ min: 0, max: 200 }),
      fc.constantFrom(...FUEL_IDS),
      fc.double({ min: 0, max: 9, noNaN: true }),
      fc.nat(4),
    )
    .map(([day, fuel, litres, kind]): FuelEvent => {
      const at = day * DAY;
      if (kind === 0) return { what: 'level', at, share: litres / 9 };
      if (kind === 1) return { what: 'drained', at, litres: litres > 8 ? null : litres };
      if (kind === 2) return { what: 'treated', at };
      return { what: 'poured', at, litres, fuel, boughtAt: at, isTreated: false };
    });

  test('litres are conserved over any fills, burns and drains, in any order of entry (property)', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(event, { selector: ({ at }) => at, maxLength: 12 }),
        fc.double({ min: 2, max: 30, noNaN: true }),
        fc.integer({ min: 0, max: 1000 }),
        (events, tank, seed) => {
          const shuffled = [...events].sort(
            (a, b) => (((a.at / DAY + seed) * 7919) % 101) - (((b.at / DAY + seed) * 7919) % 101),
          );
          const [one, other] = [passportOf(events, tank, 'e10'), passportOf(shuffled, tank, 'e10')];
          expect(other).toEqual(one);
          expect(litresOf(one.blend)).toBeCloseTo(one.poured - one.burnt - one.drained, 6);
          expect(litresOf(one.blend)).toBeLessThanOrEqual(tank + 1e-9);
          const state = stateOf(one.blend, 200 * DAY);
          if (state) expect(state.ethanol).toBeLessThanOrEqual(0.1 + 1e-12);
        },
      ),
      { numRuns: 80 },
    );
  });
});

describe('what a lay-up does to the fuel', () => {
  const after = (method: Parameters<typeof eventsOfLayUp>[0]) =>
    passportOf([poured(0, 3), ...eventsOfLayUp(method, 60 * DAY, 8)], 8, 'e10');

  test('empty, full of fresh fuel with stabiliser, or a litre of alkylate; as it is, nothing', () => {
    expect(after('run-dry')).toMatchObject({ blend: [], bowl: 'drained', isTapShut: true, drained: 3 });
    expect(stateOf(after('full-stabilised').blend, 60 * DAY)).toMatchObject({ litres: 8, ethanol: 0, spent: 0 });
    expect(stateOf(after('full-stabilised').blend, 60 * DAY + 1)?.staleBy).toBeCloseTo((60 + 365) * DAY, -1);
    expect(stateOf(after('alkylate').blend, 60 * DAY)?.litres).toBe(1);
    expect(after('exercised')).toMatchObject({ bowl: 'wet', isTapShut: false });
    expect(litresOf(after('as-it-is').blend)).toBe(3);
  });
});

describe('measures of fuel', () => {
  test('what stays in a bowl, by geometry: 48 mm across, 8 mm high', () =>
    expect(residualInBowl(48, 8)).toBeCloseTo(14.476, 3));
  test('antifreeze: 200 ml of pump and 15 m of 8 mm hose', () =>
    expect(antifreezeFor(200, 15, 8)).toBeCloseTo(0.954, 3));
  // From memory: a 10 % blend parts at about half a percent of water at 15 °C, earlier when it is cold.
  test('water before a blend parts', () => {
    expect(waterBeforeParting(0.1, 15)).toBeCloseTo(0.005, 6);
    expect(waterBeforeParting(0.1, -10)).toBeLessThan(0.004);
    expect(waterBeforeParting(0, 15)).toBe(0);
  });
});
