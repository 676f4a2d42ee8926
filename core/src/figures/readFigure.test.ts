import fc from 'fast-check';
import { isNoFigure, readFigure, readPositive } from './index';

test.each([
  ['12,5', 12.5],
  ['12.5', 12.5],
  [' 0,028 ', 0.028],
  ['.5', 0.5],
  ['12,', null],
  ['-4,5', -4.5],
  ['−10', -10],
  ['1,234.5', null],
  ['1.2.3', null],
  ['0x10', null],
  ['1e5', null],
  ['12 V', null],
  ['', null],
])('"%s" is read as %s', (text, figure) => expect(readFigure(text)).toBe(figure));

test('what may still become a figure is not called wrong', () => {
  expect(['', '-', '12', '12,', '.', '1,2', '12,,', 'a', '1.2.'].map(isNoFigure)).toEqual([
    false,
    false,
    false,
    false,
    false,
    false,
    true,
    true,
    true,
  ]);
});

test('a decimal comma is a decimal: a figure with one reads as the same with a point (property)', () => {
  fc.assert(
    fc.property(fc.integer({ min: -999_999, max: 999_999 }), fc.integer({ min: 0, max: 4 }), (whole, digits) => {
      const text = (whole / 10 ** digits).toFixed(digits);
      expect(readFigure(text.replace('.', ','))).toBe(Number(text));
      expect(readPositive(text.replace('.', ','))).toBe(whole < 0 && Number(text) !== 0 ? null : Number(text));
    }),
  );
});
