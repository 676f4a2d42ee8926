import fc from 'fast-check';
import { KEPT, STORED, STRAINS, TRAIT_SHARES } from '../catalogue';
import { engineFamily, shareOf, strainsOf, type Machine } from './index';

const machine = (more: Partial<Machine> = {}): Machine => ({ engine: {}, past: {}, ...more });

describe('what belongs to a machine', () => {
  test('nothing said: everything belongs', () => expect(shareOf(undefined, machine(), TRAIT_SHARES)).toBe(1));
  test('a class of its own, and no other', () => {
    expect(shareOf({ classes: ['welder'] }, machine({ classId: 'welder' }), TRAIT_SHARES)).toBe(1);
    expect(shareOf({ classes: ['welder'] }, machine({ classId: 'tiller' }), TRAIT_SHARES)).toBe(0);
    expect(shareOf({ classes: ['welder'] }, machine(), TRAIT_SHARES)).toBe(0);
  });
  test('a known trait decides; an unknown one counts with its share', () => {
    expect(shareOf({ ignition: ['points'] }, machine({ engine: { ignition: 'points' } }), TRAIT_SHARES)).toBe(1);
    expect(shareOf({ ignition: ['points'] }, machine({ engine: { ignition: 'coil' } }), TRAIT_SHARES)).toBe(0);
    expect(shareOf({ ignition: ['points'] }, machine(), TRAIT_SHARES)).toBeCloseTo(TRAIT_SHARES.ignition.points, 12);
    expect(shareOf({ start: ['electric', 'both'] }, machine(), TRAIT_SHARES)).toBeCloseTo(0.4, 12);
  });
  test('several wants multiply', () =>
    expect(shareOf({ fuel: ['petrol'], carburettor: ['float'] }, machine(), TRAIT_SHARES)).toBeCloseTo(
      0.96 * 0.86,
      12,
    ));
  test('the shares of each trait add up to one', () => {
    for (const [trait, shares] of Object.entries(TRAIT_SHARES))
      expect([trait, Object.values(shares).reduce((sum, share) => sum + share, 0)]).toEqual([
        trait,
        expect.closeTo(1, 9),
      ]);
  });
});

describe('strains of a past', () => {
  test('every strain lies between nothing and about two, whatever is said', () => {
    const past = fc.record(
      {
        daysStood: fc.integer({ min: 0, max: 20_000 }),
        hoursSinceService: fc.integer({ min: 0, max: 90_000 }),
        ageYears: fc.integer({ min: 0, max: 150 }),
        stored: fc.constantFrom(...STORED),
        kept: fc.constantFrom(...KEPT),
        fogged: fc.boolean(),
        openedBefore: fc.boolean(),
        plugIsNew: fc.boolean(),
      },
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(past, (given) => {
        const strains = strainsOf(given);
        expect(Object.keys(strains).sort()).toEqual([...STRAINS].sort());
        for (const [name, value] of Object.entries(strains))
          expect([name, value >= 0 && value <= 2.5]).toEqual([name, true]);
      }),
    );
  });
  test('the longer fuel is left in it, the more gum; in use there is hardly any', () => {
    const gum = (daysStood: number, stored: (typeof STORED)[number]) => strainsOf({ daysStood, stored }).gum;
    expect(gum(300, 'fuel-left')).toBeGreaterThan(gum(60, 'fuel-left'));
    expect(gum(300, 'fuel-left')).toBeGreaterThan(3 * gum(300, 'stabilised-full'));
    expect(gum(20, 'fuel-left')).toBe(0);
    expect(gum(300, 'alkylate-wet')).toBeLessThan(gum(300, 'run-dry'));
  });
  test('run dry is not empty: it gums more than drained at the bowl, and dries the needle', () => {
    expect(strainsOf({ daysStood: 200, stored: 'run-dry' }).gum).toBeGreaterThan(
      strainsOf({ daysStood: 200, stored: 'run-dry-drained' }).gum,
    );
    expect(strainsOf({ daysStood: 200, stored: 'run-dry-drained' }).dryness).toBeGreaterThan(0.5);
    expect(strainsOf({ daysStood: 200, stored: 'stabilised-full' }).dryness).toBe(0);
  });
  test('damp: the open is worse than a shed, a shed than indoors; fogging helps', () => {
    const damp = (kept: (typeof KEPT)[number], fogged = false) => strainsOf({ daysStood: 500, kept, fogged }).damp;
    expect(damp('open')).toBeGreaterThan(damp('shed'));
    expect(damp('shed')).toBeGreaterThan(damp('indoors'));
    expect(damp('shed', true)).toBeLessThan(damp('shed') / 2);
  });
});

test('the family of an engine: ignition, strokes, fuel; the usual where nothing is known', () => {
  expect(engineFamily({})).toBe('coil-4-petrol');
  expect(engineFamily({ ignition: 'points', strokes: 2 })).toBe('points-2-petrol');
});
