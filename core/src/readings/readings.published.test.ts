import { OBSERVATIONS, READING_LIMITS } from '../catalogue';
import fc from 'fast-check';
import { COMMON_PRACTICE, saySource } from '../catalogue/shapes';
import { exact } from '../figures';
import { keysOf } from '../typed';
import {
  bandOf,
  bandReading,
  leakDownPercent,
  limitsFor,
  openAirGap,
  pressureAtKPa,
  toSeaLevel,
  wrongOfOwn,
} from './index';

describe('pressure by height: ISO 2533:1975, table 1', () => {
  test.each([
    [0, 101.325],
    [1000, 89.87],
    [2000, 79.5],
    [3000, 70.12],
  ])('%d m is %d kPa', (metres, kPa) => expect(pressureAtKPa(metres)).toBeCloseTo(kPa, 1));
  test('90 psi at 1500 m is an engine of about 108 at sea level', () =>
    expect(toSeaLevel(90, 1500)).toBeCloseTo(107.9, 0));
});

describe('open-air gap: Paschen scaling (Annalen der Physik 273, 1889)', () => {
  test('0.030 in at 110 psi at room temperature is about 0.25 in (common practice)', () =>
    expect(openAirGap({ plugGap: 0.03, cylinderGaugePsi: 110 })).toBeCloseTo(0.25, 2));
  test('hot gas is thinner: the gap asked for is less', () =>
    expect(openAirGap({ plugGap: 0.03, cylinderGaugePsi: 110, cylinderC: 300 })).toBeLessThan(0.14));
});

describe('bands (common practice)', () => {
  const compression = (value: number, unit: string, method: string, release?: boolean, altitudeM = 0) => {
    const result = bandReading('compression', { value, unit, method }, READING_LIMITS, {
      engine: { release },
      altitudeM,
    });
    return result.ok ? result.outcome : result.why;
  };
  test.each([
    [150, 'strong'],
    [149.9, 'acceptable'],
    [100, 'acceptable'],
    [99.9, 'worn'],
    [50, 'worn'],
    [49.9, 'failed'],
  ] as const)('without a release %d psi is %s', (psi, outcome) =>
    expect(compression(psi, 'psi', 'pull', false)).toBe(outcome),
  );
  test.each([
    [90, 'strong'],
    [89.9, 'acceptable'],
    [75, 'acceptable'],
    [74.9, 'worn'],
    [45, 'worn'],
    [44.9, 'failed'],
  ] as const)('with a release, by hand, %d psi is %s', (psi, outcome) =>
    expect(compression(psi, 'psi', 'pull', true)).toBe(outcome),
  );
  test('the same engine: 94 by hand and 180 past the release are both well', () =>
    expect([compression(94, 'psi', 'pull', true), compression(180, 'psi', 'drill', true)]).toEqual([
      'strong',
      'strong',
    ]));
  test('units: 10.3 bar and 1034 kPa are 150 psi', () =>
    expect([compression(10.35, 'bar', 'drill'), compression(1035, 'kPa', 'drill')]).toEqual(['strong', 'strong']));
  test('thin air reads low: 85 psi by hand at 2000 m is not', () =>
    expect([compression(85, 'psi', 'pull', true), compression(85, 'psi', 'pull', true, 2000)]).toEqual([
      'acceptable',
      'strong',
    ]));

  test('40 psi in and under 20 held is over half lost: failed', () => {
    expect(leakDownPercent(40, 20)).toBe(50);
    expect(
      bandReading('leak-down', { supply: 40, cylinder: 19, unit: 'psi' }, READING_LIMITS, { engine: {} }),
    ).toMatchObject({ outcome: 'failed' });
    expect(bandReading('leak-down', { supply: 100, cylinder: 90 }, READING_LIMITS, { engine: {} })).toMatchObject({
      outcome: 'good',
    });
    expect(bandReading('leak-down', { supply: 20, cylinder: 40 }, READING_LIMITS, { engine: {} })).toMatchObject({
      ok: false,
    });
  });

  test('lash: tight beats loose, both cold', () => {
    const lash = (intake: number, exhaust: number, unit = 'in') =>
      bandReading('valve-lash', { intake, exhaust, unit }, READING_LIMITS, { engine: {} });
    expect(
      [lash(0.004, 0.006), lash(0.004, 0.001), lash(0.012, 0.006), lash(0.012, 0.001), lash(0.1, 0.15, 'mm')].map(
        (entry) => entry.ok && entry.outcome,
      ),
    ).toEqual(['in-spec', 'tight', 'loose', 'tight', 'in-spec']);
  });

  test.each([
    ['plug-gap', 0.03, 'in', 'in-spec'],
    ['plug-gap', 0.055, 'in', 'wide'],
    ['plug-gap', 0.75, 'mm', 'in-spec'],
    ['plug-gap', 0.5, 'mm', 'narrow'],
    ['air-gap', 0.011, 'in', 'in-spec'],
    ['air-gap', 0, 'in', 'rubs'],
    ['air-gap', 0.02, 'in', 'wide'],
    ['points-gap', 0.02, 'in', 'in-spec'],
    ['points-gap', 0.001, 'in', 'closed'],
    ['points-resistance', 2_000_000, 'ohm', 'high'],
    ['points-resistance', 1, 'ohm', 'few-ohms'],
    ['coil-resistance', 3500, 'ohm', 'in-range'],
    ['coil-resistance', 50, 'ohm', 'short'],
    ['battery', 12.6, 'V', 'good'],
    ['battery', 11.9, 'V', 'weak'],
  ] as const)('%s %d %s is %s', (kind, value, unit, outcome) =>
    expect(bandReading(kind, { value, unit }, READING_LIMITS, { engine: {} })).toMatchObject({ outcome }),
  );

  test('every band names an outcome of its observation, and ascends', () => {
    for (const [id, observation] of Object.entries(OBSERVATIONS))
      if (observation.reading) expect([id, observation.reading]).toEqual([id, id]);
    for (const bands of Object.values(READING_LIMITS)) {
      expect(bands.source.kind).toBeTruthy();
      bands.steps.forEach((step, at) =>
        expect([
          at === 0 || step.from > (bands.steps[at - 1]?.from ?? 0),
          bandOf(step.from + ('isOver' in step ? 1e-6 : 0), bands),
        ]).toEqual([true, step.outcome]),
      );
    }
  });

  test('a model’s own data sheet beats the default, at each end', () => {
    const limits = limitsFor(READING_LIMITS, { plugGapInch: [0.02, 0.024], compressionFree: [120, null] });
    const gap = (value: number) => {
      const result = bandReading('plug-gap', { value, unit: 'in' }, limits, { engine: {} });
      return result.ok && result.outcome;
    };
    // The sheet says 0.020 to 0.024: both are well.
    expect([gap(0.0199), gap(0.02), gap(0.024), gap(0.0241), gap(0.03)]).toEqual([
      'narrow',
      'in-spec',
      'in-spec',
      'wide',
      'wide',
    ]);
    const psi = (value: number) => {
      const result = bandReading('compression', { value, unit: 'psi', method: 'drill' }, limits, { engine: {} });
      return result.ok && [result.outcome, saySource(result.bands.source)];
    };
    expect([psi(120), psi(119), psi(79)]).toEqual([
      ['strong', 'The model’s own data sheet'],
      ['acceptable', 'The model’s own data sheet'],
      ['worn', 'The model’s own data sheet'],
    ]);
    expect(limitsFor(READING_LIMITS, null)).toEqual(READING_LIMITS);
  });

  test('what is no reading is refused with the reason', () => {
    for (const given of [{ value: 'abc', unit: 'in' }, { value: -1, unit: 'in' }, { value: 1, unit: 'psi' }, {}])
      expect(bandReading('plug-gap', given, READING_LIMITS, { engine: {} }).ok).toBe(false);
  });
});

describe('a reading that cannot be', () => {
  const of = (kind: Parameters<typeof bandReading>[0], reading: unknown) =>
    bandReading(kind, reading, READING_LIMITS, { engine: {} });
  test.each([
    ['compression', { value: 100, unit: 'psi', method: 'kick' }, /method/],
    ['compression', { value: 100, unit: 'in' }, /unit/],
    ['compression', { value: -1, unit: 'psi' }, /number/],
    ['compression', { value: Infinity, unit: 'psi' }, /number/],
    ['compression', { value: NaN, unit: 'psi' }, /number/],
    ['compression', { value: '100', unit: 'psi' }, /number/],
    ['compression', null, /number/],
    ['compression', 'high', /number/],
    ['leak-down', { supply: 0, cylinder: 0 }, /supply and cylinder/],
    ['leak-down', { cylinder: 20 }, /supply and cylinder/],
    ['leak-down', { supply: 40 }, /supply and cylinder/],
    ['leak-down', { supply: 40, cylinder: 40.1 }, /more than the supply/],
    ['valve-lash', { intake: 0.004, unit: 'in' }, /number/],
    ['valve-lash', { exhaust: 0.006, unit: 'in' }, /number/],
    ['plug-gap', { value: 0.03, unit: 'psi' }, /in or thou or mm/],
    ['coil-resistance', { value: 3500, unit: 'V' }, /ohm/],
    ['battery', { value: 12.6, unit: 'ohm' }, /V/],
  ] as const)('%s of %j', (kind, reading, why) =>
    expect(of(kind, reading)).toEqual({ ok: false, why: expect.stringMatching(why) }),
  );

  test.each([
    ['compression', { value: 0, unit: 'psi' }, { outcome: 'failed', value: 0, unit: 'psi' }],
    ['compression', { value: 80, unit: 'psi' }, { outcome: 'acceptable' }],
    ['leak-down', { supply: 40, cylinder: 40 }, { outcome: 'good', value: 0 }],
    ['leak-down', { supply: 100, cylinder: 85 }, { outcome: 'good' }],
    ['leak-down', { supply: 100, cylinder: 84 }, { outcome: 'worn' }],
    ['battery', { value: 12.6 }, { outcome: 'good', unit: 'V' }],
    ['coil-resistance', { value: 3500 }, { outcome: 'in-range', unit: 'ohm' }],
    ['valve-lash', { intake: 0.004, exhaust: 0.009, unit: 'in' }, { outcome: 'loose', value: 0.009 }],
    ['valve-lash', { intake: 0.001, exhaust: 0.009, unit: 'in' }, { outcome: 'tight', value: 0.001 }],
    ['valve-lash', { intake: 0.004, exhaust: 0.006, unit: 'in' }, { outcome: 'in-spec', value: 0.004 }],
  ] as const)('%s of %j is one', (kind, reading, wanted) =>
    expect(of(kind, reading)).toMatchObject({ ok: true, ...wanted }),
  );

  test('a scale without steps has no word for anything', () =>
    expect(bandOf(3, { unit: 'in', steps: [], source: COMMON_PRACTICE })).toBe(''));
});

test('a data sheet moves each step: below in proportion, the healthy one to its start, the next to its end', () => {
  const steps = (own: Parameters<typeof limitsFor>[1], name: keyof typeof READING_LIMITS) =>
    limitsFor(READING_LIMITS, own)[name].steps.map((step) => Math.round(step.from * 1e6) / 1e6);
  const free = READING_LIMITS.compressionFree.steps.map((step) => step.from);
  // Healthy from 120 in place of 150: 50 and 100 go down by the same share.
  expect(free).toEqual([0, 50, 100, 150]);
  expect(steps({ compressionFree: [120, null] }, 'compressionFree')).toEqual([0, 40, 80, 120]);
  expect(steps({ airGapInch: [0.006, 0.01] }, 'airGapInch')).toEqual([0, 0.0012, 0.006, 0.01]);
  // No upper end: the default's stays. A scale whose healthy step is the first begins where the sheet says.
  expect(steps({ plugGapInch: [0.02, null] }, 'plugGapInch')).toEqual([0, 0.02, 0.0335]);
  expect(steps({ leakDownPercent: [0, 10] }, 'leakDownPercent')).toEqual([0, 10, 26.666667]);
  expect(limitsFor(READING_LIMITS, null)).toEqual(READING_LIMITS);
});

describe('a band of a data sheet that cannot be is refused', () => {
  test.each([
    ['plugGapInch', [0.03, 0.02], 'inverted'],
    ['plugGapInch', [0.03, 0.03], 'inverted'],
    ['plugGapInch', [0.03, null], 'end-wanted'],
    ['plugGapInch', [28, 31], 'impossible'],
    ['plugGapInch', [0.02, 0.024], null],
    ['compressionFree', [120, null], null],
    ['compressionFree', [120, 200], 'no-end'],
    ['compressionFree', [0, null], 'impossible'],
    ['compressionFree', [827, null], 'impossible'],
    ['leakDownPercent', [5, 20], 'from-nought'],
    ['leakDownPercent', [0, 120], 'impossible'],
    ['leakDownPercent', [0, 12], null],
    ['pointsOhm', [0, null], 'end-wanted'],
    ['coilOhm', [2500, 5000], null],
  ] as const)('%s %j: %s', (name, range, wrong) => expect(wrongOfOwn(name, range)).toBe(wrong));

  test('whatever band may be entered, its steps ascend, and its ends are well themselves (property)', () => {
    const names = keysOf(READING_LIMITS);
    fc.assert(
      fc.property(
        fc.constantFrom(...names),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.option(fc.double({ min: 0, max: 1, noNaN: true })),
        (name, low, high) => {
          const most = READING_LIMITS[name].steps.at(-1)?.from ?? 1;
          const range = [exact(low * most), high === null ? null : exact((low + high) * most)] as const;
          if (wrongOfOwn(name, range) !== null) return;
          const bands = limitsFor(READING_LIMITS, { [name]: range })[name];
          const froms = bands.steps.map((step) => step.from);
          expect(froms).toEqual([...froms].sort((a, b) => a - b));
          expect(new Set([bandOf(range[0], bands), ...(range[1] === null ? [] : [bandOf(range[1], bands)])]).size).toBe(
            1,
          );
        },
      ),
    );
  });
});

test('at most 15 per cent is good at 15 to the hair, whatever figures give it', () => {
  for (const [supply, cylinder] of [
    [100, 85],
    [80, 68],
    [40, 34],
    [60, 51],
    [7, 5.95],
    [0.3, 0.255],
  ] as const)
    expect(bandReading('leak-down', { supply, cylinder }, READING_LIMITS, { engine: {} })).toMatchObject({
      outcome: 'good',
    });
});
