import { areOfOneDimension, isUnit } from '../units';
import { RATINGS, READING_LIMITS, saySource } from '../catalogue';
import { bandReading, limitsFor } from '../readings';
import { CALCULATORS } from './index';

const DEFAULTS = { limits: READING_LIMITS };

describe.each(CALCULATORS.map((entry) => [entry.name, entry] as const))('%s', (_, calculator) => {
  test(`its worked example (${calculator.sources.map(saySource).join('; ')})`, () => {
    const given = calculator.gives(calculator.worked.given, DEFAULTS) ?? [];
    for (const [id, value] of Object.entries(calculator.worked.gives)) {
      const got = given.find((entry) => entry.id === id)?.value ?? Number.NaN;
      expect([id, Math.abs(got - value) / Math.abs(value) < 1e-3]).toEqual([id, true]);
    }
  });

  test('asks for what it uses, gives numbers for what stands there at first, and says how', () => {
    expect(Object.keys(calculator.worked.given).sort()).toEqual(calculator.asks.map((entry) => entry.id).sort());
    const given = calculator.gives(
      Object.fromEntries(calculator.asks.map((entry) => [entry.id, entry.usual])),
      DEFAULTS,
    );
    expect(given?.every((entry) => Number.isFinite(entry.value))).toBe(true);
    expect([calculator.formula.length > 5, calculator.sources.length > 0]).toEqual([true, true]);
    for (const asked of calculator.asks)
      expect(isUnit(asked.unit) || ['poles', ': 1', 'mL/L', ''].includes(asked.unit)).toBe(true);
  });

  test('zeros give no nonsense', () => {
    const given = calculator.gives(Object.fromEntries(calculator.asks.map((entry) => [entry.id, 0])), DEFAULTS);
    expect(given === null || given.every((entry) => Number.isFinite(entry.value))).toBe(true);
  });
});

test('a line that a plate fills in measures what the plate measures', () => {
  for (const { asks } of CALCULATORS)
    for (const { rating, unit } of asks)
      if (rating)
        expect([rating, unit === RATINGS[rating].unit || areOfOneDimension(unit, RATINGS[rating].unit)]).toEqual([
          rating,
          true,
        ]);
});

test('ids are unique', () => expect(new Set(CALCULATORS.map((entry) => entry.id)).size).toBe(CALCULATORS.length));

describe('against handbook figures', () => {
  const sum = (id: string, given: Record<string, number>, wanted: string): number =>
    CALCULATORS.find((entry) => entry.id === id)
      ?.gives(given, DEFAULTS)
      ?.find((entry) => entry.id === wanted)?.value ?? Number.NaN;

  test('1 US hydraulic horsepower is 1 psi·gal/min over 1714 (common practice): 3000 psi and 11 gal/min are 19.25 hp', () => {
    expect(
      sum('hydraulic-power', { pressure: 3000 * 0.0689475729316836, flow: 11 * 3.785411784 }, 'power') / 0.745699872,
    ).toBeCloseTo((3000 * 11) / 1714, 1);
  });

  test('two-pole sets: 3600 r/min at 60 Hz, 3000 at 50; four-pole 1800 and 1500 (n = 120 f/p)', () => {
    expect(
      [
        [60, 2],
        [50, 2],
        [60, 4],
        [50, 4],
      ].map(([hertz = 0, poles = 0]) => sum('speed-and-hertz', { hertz, poles }, 'rpm')),
    ).toEqual([3600, 3000, 1800, 1500]);
  });

  test('flow goes as the root of pressure: four times the pressure, twice the flow', () => {
    const at = (pressure: number) =>
      sum('nozzle-wear', { flow: 10, ratedFlow: 10, ratedPressure: 50, pressure }, 'expected');
    expect(at(200) / at(50)).toBeCloseTo(2, 12);
  });

  test('IEC 60974-1: at the rated current the rated duty, at half of it never more than all the time', () => {
    expect(sum('duty-cycle', { ratedCurrent: 180, ratedDuty: 40, current: 180 }, 'duty')).toBeCloseTo(40, 9);
    expect(sum('duty-cycle', { ratedCurrent: 180, ratedDuty: 40, current: 90 }, 'duty')).toBe(100);
  });

  test('a belt round two equal sheaves is twice the centre distance and one turn round; crossing over changes nothing', () => {
    expect(sum('belt-length', { centre: 12, driver: 5, driven: 5 }, 'length')).toBeCloseTo(24 + 5 * Math.PI, 9);
    expect(sum('belt-length', { centre: 12, driver: 2.5, driven: 7.5 }, 'length')).toBeCloseTo(
      sum('belt-length', { centre: 12, driver: 7.5, driven: 2.5 }, 'length'),
      12,
    );
    // The usual approximation 2C + π/2 (D + d) + (D − d)² / 4C, found in belt makers' tables.
    expect(sum('belt-length', { centre: 12, driver: 2.5, driven: 7.5 }, 'length')).toBeCloseTo(
      24 + (Math.PI / 2) * 10 + 25 / 48,
      1,
    );
  });

  test('half in the log takes the second stage for half of the way', () => {
    const cycle = (loaded: number) =>
      sum('splitter-cycle', { bore: 4, rod: 2, stroke: 24, fast: 50, slow: 10, loaded }, 'forth');
    expect(cycle(100) / cycle(0)).toBeCloseTo(5, 9);
    expect(cycle(50)).toBeCloseTo((cycle(0) + cycle(100)) / 2, 9);
  });
});

describe('where a sum has no answer, and where its word changes', () => {
  const of = (id: string, changed: Record<string, number> = {}) => {
    const calculator = CALCULATORS.find((entry) => entry.id === id);
    const usual = Object.fromEntries((calculator?.asks ?? []).map((entry) => [entry.id, entry.usual]));
    return calculator?.gives({ ...usual, ...changed }, DEFAULTS) ?? null;
  };

  test.each([
    ['leak-down', { supply: 0 }],
    ['leak-down', { supply: 80, cylinder: 80.1 }],
    ['compression', { height: 6001 }],
    ['compression', { height: -501 }],
    ['compression', { air: -61 }],
    ['battery-state', { volts: 16, nominal: 12 }],
    ['battery-state', { nominal: 6 }],
    ['gap', { gap: 9 }],
    ['cranking-pressure', { ratio: 1 }],
    ['cranking-pressure', { height: 6001 }],
    ['two-stroke-mix', { ratio: 0 }],
    ['ethanol-by-shake', { fuel: 0 }],
    ['ethanol-by-shake', { growth: 90.1, fuel: 90 }],
    ['blend', { there: 0, added: 0 }],
    ['speed-and-hertz', { poles: 3 }],
    ['speed-and-hertz', { poles: 0 }],
    ['set-class', { rated: 0 }],
    ['set-class', { ratedVolts: 0 }],
    ['set-class', { highest: 59, lowest: 60 }],
    ['nozzle-wear', { ratedFlow: 0 }],
    ['nozzle-wear', { ratedPressure: 0 }],
    ['nozzle-wear', { pressure: 0 }],
    ['duty-cycle', { current: 0 }],
    ['splitter-cycle', { fast: 0 }],
    ['splitter-cycle', { slow: 0 }],
    ['splitter-cycle', { rod: 4, bore: 4 }],
    ['splitter-cycle', { loaded: 101 }],
    ['bucket-flow', { seconds: 0 }],
    ['bucket-flow', { pressure: 0 }],
    ['load-steps', { volts: 0 }],
    ['belt-ratio', { driver: 0 }],
    ['belt-ratio', { driven: 0 }],
    ['belt-length', { centre: 5, driver: 2.5, driven: 7.5 }],
  ])('%s of %j: none', (id, changed) => expect([of(id) === null, of(id, changed)]).toEqual([false, null]));

  test.each([
    ['leak-down', { supply: 80, cylinder: 80 }],
    ['leak-down', { cylinder: 0 }],
    ['compression', { height: 6000 }],
    ['compression', { air: -20 }],
    ['battery-state', { volts: 25, nominal: 24 }],
    ['ethanol-by-shake', { growth: 90, fuel: 90 }],
    ['blend', { there: 0, added: 1 }],
    ['splitter-cycle', { loaded: 100 }],
    ['speed-and-hertz', { poles: 12 }],
  ])('%s of %j: still one', (id, changed) => expect(of(id, changed)).not.toBeNull());

  const sentence = (id: string, changed: Record<string, number>): string =>
    of(id, changed)?.find((entry) => entry.sentence)?.sentence ?? '';
  test.each([
    // Bands of a leak-down: 15 and 40 % (common practice).
    ['leak-down', { supply: 100, cylinder: 85 }, 'Good'],
    ['leak-down', { supply: 100, cylinder: 84.9 }, 'Worn'],
    ['leak-down', { supply: 100, cylinder: 60 }, 'Worn'],
    ['leak-down', { supply: 100, cylinder: 59.9 }, 'Failed'],
    // A tenth either way is right (common practice).
    ['nozzle-wear', { flow: 10.9, ratedFlow: 10 }, 'Right'],
    ['nozzle-wear', { flow: 11.1, ratedFlow: 10 }, 'Worn'],
    ['nozzle-wear', { flow: 9.1, ratedFlow: 10 }, 'Right'],
    ['nozzle-wear', { flow: 8.9, ratedFlow: 10 }, 'Blocked'],
    // Six cells: half full is 12.25 V and 80 % 12.52 V at 25 °C (common practice).
    ['battery-state', { volts: 12.24, temperature: 25 }, 'charge it, then load it'],
    ['battery-state', { volts: 12.26, temperature: 25 }, 'charge it.'],
    ['battery-state', { volts: 12.39, temperature: 25 }, 'charge it.'],
    ['battery-state', { volts: 12.4, temperature: 25 }, 'Good'],
    ['battery-state', { volts: 24.8, nominal: 24, temperature: 25 }, 'Good'],
    ['battery-state', { volts: 24.7, nominal: 24, temperature: 25 }, 'Weak'],
    ['battery-state', { volts: 12.6, nominal: 24, temperature: 25 }, 'one of 12 V?'],
    ['set-class', { noLoad: 59, fullLoad: 60 }, 'rises'],
    ['set-class', { noLoad: 61.8, fullLoad: 60, highest: 60, lowest: 59.7, mostVolts: 121.2, leastVolts: 118.8 }, 'G3'],
    ['set-class', { noLoad: 61.8, fullLoad: 60, highest: 60, lowest: 59.7, mostVolts: 121.3, leastVolts: 119 }, 'G2'],
    ['set-class', { noLoad: 66, fullLoad: 60 }, 'Outside'],
    // Where it hisses names the part (common practice).
    ['leak-down', { supply: 100, cylinder: 60, hiss: 1 }, 'intake valve'],
    ['leak-down', { supply: 100, cylinder: 60, hiss: 2 }, 'exhaust valve'],
    ['leak-down', { supply: 100, cylinder: 60, hiss: 3 }, 'rings'],
    ['leak-down', { supply: 100, cylinder: 60, hiss: 4 }, 'gasket'],
    ['leak-down', { supply: 100, cylinder: 60, hiss: 0 }, 'listen'],
    // Compression by method (common practice).
    ['compression', { gauge: 94, way: 0 }, 'Strong'],
    ['compression', { gauge: 76, way: 0 }, 'Good enough'],
    ['compression', { gauge: 94, way: 1 }, 'Doubtful'],
    ['compression', { gauge: 180, way: 1 }, 'Strong'],
    ['compression', { gauge: 120, way: 2 }, 'Good enough'],
    ['compression', { gauge: 49, way: 2 }, 'Failed'],
    ['compression', { gauge: 98, way: 2, air: 35 }, 'acceptable'],
    ['gap', { gap: 0, measured: 0.055 }, 'Tap'],
    ['gap', { gap: 0, measured: 0.02 }, 'Bend'],
    ['gap', { gap: 3, measured: 0.001 }, 'Back the adjuster off'],
    ['gap', { gap: 0, measured: 0.0335 }, 'right'],
  ])('%s of %j: %s', (id, changed, word) => expect(sentence(id, changed)).toContain(word));

  test('a battery in the cold shows fewer volts for the same charge: 0.024 V in ten degrees (from memory)', () => {
    const full = (volts: number, temperature: number) => of('battery-state', { volts, temperature })?.[0]?.value;
    expect(full(12.2, 15)).toBeCloseTo(full(12.224, 25) ?? Number.NaN, 9);
    expect([full(11, 25), full(14, 25)]).toEqual([0, 100]);
  });

  test('the battery has one verdict, under Numbers and in fault finding, whatever is read', () => {
    for (let volts = 10; volts < 29; volts += 0.01)
      for (const nominal of [12, 24]) {
        const word = sentence('battery-state', { volts, nominal, temperature: 25 });
        const banded = bandReading('battery', { value: volts, unit: 'V', nominal }, READING_LIMITS, { engine: {} });
        if (word !== '')
          expect([volts, banded.ok && banded.outcome]).toEqual([volts, word.startsWith('Good') ? 'good' : 'weak']);
      }
  });

  test('a model’s own sheet judges a sum, too, and is named as its source', () => {
    const own = limitsFor(READING_LIMITS, { plugGapInch: [0.02, 0.024], compressionFree: [110, null] });
    const by = (id: string, given: Record<string, number>) =>
      CALCULATORS.find((entry) => entry.id === id)?.gives(given, { limits: own })?.[0];
    expect(by('gap', { gap: 0, measured: 0.03 })).toMatchObject({
      value: 0.006,
      source: { kind: 'own', of: 'model sheet' },
    });
    expect(by('compression', { gauge: 112, way: 2, height: 0, air: 15 })?.sentence).toContain('Strong');
  });

  test('each load step says its kilowatts', () => {
    expect(of('load-steps', { rated: 5000, volts: 240 })?.map((entry) => entry.sentence)).toEqual([
      '1.25 kW',
      '2.50 kW',
      '3.75 kW',
      '5.00 kW',
    ]);
  });
});
