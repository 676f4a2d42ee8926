import assert from 'node:assert/strict';
import { test } from 'node:test';
import { whatFailed } from './whatFailed.mjs';

const passed = Array.from({ length: 200 }, (_, n) => `ok ${n} - well`);

test('of a long output only what failed is left, and each once', () => {
  const tap = ['    not ok 3 - the tag is kept', '      error: gone', ...passed];
  assert.match(whatFailed([...passed, ...tap].join('\n')), /^    not ok 3 - the tag is kept\n      error: gone\nok 0/);
  assert.equal(whatFailed([...passed, ...tap].join('\n')).split('\n').length, 25);
  const jest = ['  ● the proof › is signed', '', '    Unable to find', ...passed];
  const twice = whatFailed([...jest, ...jest].join('\n'));
  assert.equal(twice.match(/is signed/g)?.length, 1);
  assert.match(whatFailed(['  1) [phone] › desk.spec.ts › no', '    Error: x'].join('\n')), /desk[^]*Error: x/);
  assert.match(whatFailed("src/a.ts(1,2): error TS2304: Cannot find name 'b'."), /TS2304/);
});

test('what no runner says stands at the end', () => {
  assert.equal(whatFailed(['begin', ...Array.from({ length: 30 }, (_, n) => `${n}`)].join('\n')).split('\n')[0], '5');
});
