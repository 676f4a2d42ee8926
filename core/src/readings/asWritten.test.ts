import { asWritten, bandReading, doubtOf, limitsFor } from './index';
import { READING_LIMITS } from '../catalogue';

describe('a reading as a person writes it', () => {
  test.each([
    ['12.4', 'coil-resistance', 12.4, null],
    ['12,4 k', 'coil-resistance', 12.4, 'kohm'],
    ['12.4kΩ', 'coil-resistance', 12.4, 'kohm'],
    ['5 Ω', 'points-resistance', 5, 'ohm'],
    ['2 MΩ', 'coil-resistance', 2, 'Mohm'],
    ['.028', 'plug-gap', 0.028, null],
    ['28 thou', 'plug-gap', 28, 'thou'],
    ['0,7mm', 'plug-gap', 0.7, 'mm'],
    ['8 bar', 'compression', 8, 'bar'],
    [' 110 PSI ', 'compression', 110, 'psi'],
    ['12.6v', 'battery', 12.6, 'V'],
  ] as const)('“%s” of %s', (text, kind, value, unit) => expect(asWritten(text, kind)).toEqual({ value, unit }));

  test.each([
    ['', 'battery'],
    ['a lot', 'battery'],
    ['1.2.3', 'battery'],
    ['-4', 'battery'],
    ['12 psi', 'battery'],
    ['110 volts', 'compression'],
  ] as const)('“%s” of %s is no figure of it', (text, kind) => expect(asWritten(text, kind)).toBeNull());

  test('each unit is read by its own size', () => {
    const outcome = (kind: Parameters<typeof bandReading>[0], value: number, unit: string) => {
      const banded = bandReading(kind, { value, unit }, limitsFor(READING_LIMITS, null), { engine: {} });
      return banded.ok ? banded.value : banded.why;
    };
    expect(outcome('plug-gap', 28, 'thou')).toBeCloseTo(0.028, 12);
    expect(outcome('plug-gap', 0.7112, 'mm')).toBeCloseTo(0.028, 12);
    expect(outcome('coil-resistance', 4.24, 'kohm')).toBeCloseTo(4240, 9);
    expect(outcome('coil-resistance', 0.002, 'Mohm')).toBeCloseTo(2000, 9);
    expect(outcome('compression', 28, 'thou')).toBe('the unit must be psi or kPa or bar');
  });
});

describe('what no gauge shows', () => {
  test.each([
    ['plug-gap', [28], 'in', 'thou'],
    ['plug-gap', [0.7], 'in', 'mm'],
    ['plug-gap', [0.028], 'mm', 'in'],
    ['valve-lash', [4, 6], 'in', 'thou'],
    ['valve-lash', [0.1, 0.15], 'in', 'mm'],
    ['compression', [110], 'kPa', 'psi'],
    ['compression', [750], 'psi', 'kPa'],
    ['compression', [8], 'psi', 'bar'],
    ['coil-resistance', [4.24], 'ohm', 'kohm'],
    ['compression', [99_999], 'psi', null],
    ['battery', [126], 'V', null],
  ] as const)('%s of %j %s was in %s', (kind, values, unit, meant) =>
    expect(doubtOf(kind, values, unit)).toMatchObject({ unit, meant }),
  );

  test.each([
    ['plug-gap', [0.028], 'in'],
    ['plug-gap', [28], 'thou'],
    ['compression', [0], 'psi'],
    ['compression', [90], 'psi'],
    ['compression', [20], 'psi'],
    ['compression', [620], 'kPa'],
    ['leak-down', [100, 0], 'psi'],
    ['coil-resistance', [0], 'ohm'],
    ['coil-resistance', [6], 'kohm'],
    ['points-resistance', [0.2], 'ohm'],
  ] as const)('%s of %j %s is what one shows', (kind, values, unit) => expect(doubtOf(kind, values, unit)).toBeNull());
});
