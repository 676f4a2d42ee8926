import { object } from 'yup';
import { figure, price, wholeNumber, words } from './index';

const read = (schema: { validateSync: (value: unknown) => unknown }, typed: unknown): unknown => {
  try {
    return schema.validateSync(typed);
  } catch (error) {
    return error instanceof Error ? error.message : error;
  }
};

describe('what is typed, as it is read', () => {
  test.each([
    ['12.5', 12.5],
    ['12,5', 12.5],
    [' 7 ', 7],
    [7, 7],
    ['', undefined],
    ['  ', undefined],
  ])('a figure: %j is %j', (typed, value) => expect(read(figure(), typed)).toBe(value));
  test('letters are no figure', () => expect(read(figure(), 'twelve')).toMatch(/number/));

  test.each([
    ['12', 12],
    ['', undefined],
    ['12.5', 'Enter a whole number.'],
    ['12,5', 'Enter a whole number.'],
  ])('a whole number: %j is %j', (typed, value) => expect(read(wholeNumber(), typed)).toBe(value));

  test.each([
    ['12', 1200],
    ['12.5', 1250],
    ['12,50', 1250],
    ['0.29', 29],
    [' 3.10 ', 310],
    ['', undefined],
    ['12.345', 'Enter a price, e.g. 12.50.'],
    ['1 000', 'Enter a price, e.g. 12.50.'],
    ['-1', 'Enter a price, e.g. 12.50.'],
    ['1234567', 'Enter a price, e.g. 12.50.'],
  ])('a price: %j is %j', (typed, value) => expect(read(price(), typed)).toBe(value));

  test('words are trimmed, and as many as are wanted', () => {
    expect(read(object({ why: words(3) }), { why: '  ran dry ' })).toEqual({ why: 'ran dry' });
    expect(read(words(3), ' no ')).toBe('Write at least 3 characters.');
    expect(read(words(), '  ')).toBe('Fill this in.');
  });
});
