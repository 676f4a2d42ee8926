import { areOfOneDimension, convert, dimensionOf, isUnit, preferredUnit, quantity, convertValue } from './index';

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

describe('units only known as they run', () => {
  test('one that is none is named, whichever of the two it is; the same one changes nothing', () => {
    expect(() => convertValue(1, 'furlong', 'mm')).toThrow('No such unit: furlong');
    expect(() => convertValue(1, 'mm', 'furlong')).toThrow('No such unit: furlong');
    expect(() => convertValue(1, 'toString', 'mm')).toThrow('No such unit: toString');
    expect(() => convertValue(1, 'in', 'psi')).toThrow('in is not measured in psi');
    // 0.1 in by way of the base unit and back would not be 0.1 in any more.
    expect(convertValue(0.1, 'US fl oz', 'US fl oz')).toBe(0.1);
    expect(convertValue(1.1, 'lbf·ft', 'lbf·ft')).toBe(1.1);
  });

  test('two of one dimension, of two, and what is no unit', () => {
    expect(areOfOneDimension('in', 'mm')).toBe(true);
    expect(areOfOneDimension('in', 'psi')).toBe(false);
    expect(areOfOneDimension('in', 'furlong')).toBe(false);
    expect(areOfOneDimension('furlong', 'in')).toBe(false);
    expect(areOfOneDimension('furlong', 'cubit')).toBe(false);
    expect([dimensionOf('furlong'), dimensionOf('mm'), isUnit('mm'), isUnit('toString')]).toEqual([
      undefined,
      'length',
      true,
      false,
    ]);
  });
});
