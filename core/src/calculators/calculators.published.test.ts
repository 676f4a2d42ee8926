import { isUnit } from '../units';
import { CALCULATORS } from './index';

describe.each(CALCULATORS.map((entry) => [entry.name, entry] as const))('%s', (_, calculator) => {
  test(`its worked example (${calculator.source})`, () => {
    const given = calculator.gives(calculator.worked.given) ?? [];
    for (const [id, value] of Object.entries(calculator.worked.gives)) {
      const got = given.find((entry) => entry.id === id)?.value ?? Number.NaN;
      expect([id, Math.abs(got - value) / Math.abs(value) < 1e-3]).toEqual([id, true]);
    }
  });

  test('asks for what it uses, gives numbers for what stands there at first, and says how', () => {
    expect(Object.keys(calculator.worked.given).sort()).toEqual(calculator.asks.map((entry) => entry.id).sort());
    const given = calculator.gives(Object.fromEntries(calculator.asks.map((entry) => [entry.id, entry.usual])));
    expect(given?.every((entry) => Number.isFinite(entry.value))).toBe(true);
    expect([calculator.formula.length > 5, calculator.source.length > 5]).toEqual([true, true]);
    for (const asked of calculator.asks)
      expect(
        isUnit(asked.unit) || ['rpm', 'poles', '%', 'L/min', 'A', '°C', ': 1', 's', 'W', 'mL/L'].includes(asked.unit),
      ).toBe(true);
  });

  test('zeros give no nonsense', () => {
    const given = calculator.gives(Object.fromEntries(calculator.asks.map((entry) => [entry.id, 0])));
    expect(given === null || given.every((entry) => Number.isFinite(entry.value))).toBe(true);
  });
});

test('ids are unique', () => expect(new Set(CALCULATORS.map((entry) => entry.id)).size).toBe(CALCULATORS.length));

describe('against handbook figures', () => {
  const sum = (id: string, given: Record<string, number>, wanted: string): number =>
    CALCULATORS.find((entry) => entry.id === id)
      ?.gives(given)
      ?.find((entry) => entry.id === wanted)?.value ?? Number.NaN;

  test('1 US hydraulic horsepower is 1 psi·gal/min over 1714 (common practice): 3000 psi and 11 gal/min are 19.25 hp', () => {
    expect(
      sum('hydraulic-power', { pressure: 3000 * 0.06894757293168361, flow: 11 * 3.785411784 }, 'power') / 0.745699872,
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
