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
    for (const asked of calculator.asks) expect(isUnit(asked.unit) || ['rpm', 'poles', '%', 'L/min', 'A', '°C', ': 1'].includes(asked.unit)).toBe(true);
  });

  test('zeros give no nonsense', () => {
    const given = calculator.gives(Object.fromEntries(calculator.asks.map((entry) => [entry.id, 0])));
    expect(given === null || given.every((entry) => Number.isFinite(entry.value))).toBe(true);
  });
});

test('ids are unique', () => expect(new Set(CALCULATORS.map((entry) => entry.id)).size).toBe(CALCULATORS.length));
