import { formatFigure, formatMoney } from './index';

const US = { currency: 'USD', locale: 'en-US' };
const plain = (text: string): string => text.replace(/\s/g, ' ');

test.each([
  [123_456, US, {}, '$1,234.56'],
  [-50, US, {}, '-$0.50'],
  [123_456, US, { whole: true }, '$1,235'],
  [123_456, { currency: 'EUR', locale: 'de-DE' }, {}, '1.234,56 €'],
  [5, { currency: 'CHF', locale: 'de-CH' }, {}, 'CHF 0.05'],
])('%d hundredths in %j are %s %s', (cents, writing, options, text) =>
  expect(plain(formatMoney(cents, writing, options))).toBe(text),
);

test('figures go by the locale, too', () => {
  expect([
    formatFigure(1234.56, 'en-US'),
    formatFigure(1234.56, 'de-DE'),
    formatFigure(0.0305, 'en-US', 4),
    formatFigure(12, 'de-DE', 1, 1),
  ]).toEqual(['1,234.6', '1.234,6', '0.0305', '12,0']);
});
