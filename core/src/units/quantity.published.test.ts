import { convert, dimensionOf, isUnit, preferredUnit, quantity, convertValue } from './index';

describe('conversions, NIST SP 811 (2008) Appendix B.8', () => {
  test.each([
    [quantity('length', 1, 'in'), 'mm', 25.4, 12],
    [quantity('pressure', 1, 'psi'), 'kPa', 6.894757, 6],
    [quantity('torque', 1, 'lbf·ft'), 'N·m', 1.355818, 6],
    [quantity('torque', 1, 'lbf·in'), 'N·m', 0.1129848, 7],
    [quantity('volume', 1, 'US gal'), 'L', 3.785411784, 12],
    [quantity('volume', 1, 'US fl oz'), 'mL', 29.57353, 5],
    [quantity('pressure', 1, 'bar'), 'kPa', 100, 12],
  ] as const)('%o in %s', (from, unit, value, digits) => {
    expect(convertValue(from.value, from.unit, unit)).toBeCloseTo(value, digits);
  });

  test('165 lbf·in is 13.75 lbf·ft', () => {
    expect(convert(quantity('torque', 165, 'lbf·in'), 'lbf·ft').value).toBeCloseTo(13.75, 10);
  });
});

test('a unit knows its dimension, other text has none', () => {
  expect(dimensionOf('psi')).toBe('pressure');
  expect(isUnit('furlong')).toBe(false);
});

test('a unit of another dimension is a programmer mistake and throws with its name', () => {
  expect(() => convertValue(1, 'in', 'psi')).toThrow('psi');
});

test('the preferred unit follows the person', () => {
  expect(preferredUnit('pressure', 'inch')).toBe('psi');
  expect(preferredUnit('pressure', 'metric')).toBe('kPa');
});
