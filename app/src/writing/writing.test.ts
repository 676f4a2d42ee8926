import {
  instantOf,
  sayAs,
  sayDay,
  sayFigure,
  sayFuel,
  sayHours,
  sayMinutes,
  sayMoney,
  sayTime,
  writeAs,
} from './writing';

const YARD = { currency: 'USD', locale: 'en-US', timeZone: 'America/Denver' };
const plain = (text: string): string => text.replace(/\s/g, ' ');

beforeEach(() => void writeAs(YARD));

test('money and figures go by the yard’s settings', () => {
  expect([sayMoney(123_450), sayFigure(1234.56), sayHours(12)]).toEqual(['$1,234.50', '1,234.6', '12.0 h']);
  expect(writeAs({ ...YARD, currency: 'EUR', locale: 'de-DE' })).toBe('EUR de-DE America/Denver');
  expect([plain(sayMoney(123_450)), sayFigure(1234.56), sayHours(12)]).toEqual(['1.234,50 €', '1.234,6', '12,0 h']);
});

test('not known, it is written as before', () => {
  expect(writeAs(undefined)).toBe('USD en-US America/Denver');
});

test('times are the yard’s own, also over a change of clocks', () => {
  expect(sayDay('2030-01-15T17:00:00Z')).toBe('15 Jan 2030, 10:00');
  expect(sayDay('2030-07-15T17:00:00Z')).toBe('15 Jul 2030, 11:00');
  expect(sayAs('2030-01-01T03:00:00Z', 'yyyy-MM-dd')).toBe('2029-12-31');
});

test('today and tomorrow are days of the yard, not of the device', () => {
  jest.useFakeTimers({ now: new Date('2030-01-02T05:00:00Z') });
  // Ten in the evening of the first.
  expect(sayTime('2030-01-02T06:30:00Z')).toBe('today 23:30');
  expect(sayTime('2030-01-02T08:00:00Z')).toBe('tomorrow 01:00');
  expect(sayTime('2030-01-05T17:00:00Z')).toBe('Sat 5 Jan 10:00');
  expect(sayTime('2031-01-05T17:00:00Z')).toBe('Sun 5 Jan 2031 10:00');
  // Still the year before, on the yard's clock.
  expect(sayTime('2030-01-01T02:00:00Z')).toBe('Mon 31 Dec 2029 19:00');
  jest.useRealTimers();
});

test.each([
  ['2030-05-01 09:00', '2030-05-01T15:00:00.000Z'],
  ['2030-01-15T09:00', '2030-01-15T16:00:00.000Z'],
  // Clocks go forward on 10 March 2030 in Denver: 02:30 is skipped.
  ['2030-03-10 02:30', null],
  ['2030-02-31 09:00', null],
  ['2030-05-01 25:00', null],
  ['2030-05-01', null],
  ['Friday', null],
])('%s on the yard’s clock is %s', (typed, instant) => expect(instantOf(typed)).toBe(instant));

test('levels and minutes', () => {
  expect([sayFuel(0), sayFuel(5), sayFuel(8)]).toEqual(['empty', '5/8', 'full']);
  expect([sayMinutes(45), sayMinutes(130)]).toEqual(['45 min', '2 h 10']);
});
