import { tagIn } from './tagIn';

test.each([
  ['GE-07', 'GE-07'],
  [' ge7 ', 'GE-07'],
  ['pw 112', 'PW-112'],
  ['https://yard.example:8443/u/TI-03', 'TI-03'],
  ['https://yard.example/u/sb-1204/check-in', 'SB-1204'],
  ['GE', null],
  ['07', null],
  ['GE-07 or so', null],
  ['https://yard.example/j/12', null],
])('in “%s” stands %s', (text, tag) => expect(tagIn(text)).toBe(tag));
