import { sayLeft } from './sayLeft';

test.each([
  [0, 'ended'],
  [-5, 'ended'],
  [1, '0:01'],
  [59_001, '1:00'],
  [750_000, '12:30'],
  [3_600_000, '1:00:00'],
  [7_147_000, '1:59:07'],
  [36_000_000 * 5, '50:00:00'],
])('%d ms left is %s', (ms, sentence) => expect(sayLeft(ms)).toBe(sentence));
