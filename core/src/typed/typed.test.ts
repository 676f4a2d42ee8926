import { entriesOf, keysOf, mapValues, nth } from './index';

test('keys, entries and values of a record', () => {
  const record = { a: 1, b: 2 };
  expect([keysOf(record), entriesOf(record)]).toEqual([
    ['a', 'b'],
    [
      ['a', 1],
      ['b', 2],
    ],
  ]);
  expect(mapValues(record, (value, key) => `${key}${value * 2}`)).toEqual({ a: 'a2', b: 'b4' });
});

test('what is known to be there is given; where it is not, the place and the length are said', () => {
  expect([nth([7, 8], 1), nth('xy', 0), nth([0], 0)]).toEqual([8, 'x', 0]);
  expect(() => nth([7, 8], 2)).toThrow(new RangeError('nothing at 2 of 2'));
  expect(() => nth(undefined, 0)).toThrow(new RangeError('nothing at 0 of 0'));
});
