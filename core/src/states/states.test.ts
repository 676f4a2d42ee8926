import { CLOCK, EXCHANGE_PART, HIRE, MISSING_LINES, ORDER, PART_LINE, PROMISED_LINES, stateTable } from './index';

/** What each table is to hold, written by hand from the descriptions: state, action, what comes of it (or refused). */
const PART_LINES = `
wanted   reserve reserved | wanted   order ordered   | wanted   drop dropped | wanted   use -        | wanted   return -
wanted   arrive -         | wanted   release dropped | reserved use used     | reserved return -     | reserved drop dropped
reserved reserve -        | reserved order -         | reserved release dropped
ordered  arrive arrived   | ordered  refuse wanted   | ordered  drop dropped | ordered  use -        | ordered  release ordered
arrived  use used         | arrived  drop dropped    | arrived  arrive -     | arrived  reserve -    | arrived  release dropped
used     return returned  | used     use -           | used     drop -       | used     release used
returned use -            | returned return -        | returned drop -
dropped  use -            | dropped  reserve -       | dropped  drop -       | dropped  arrive -`;
const ORDERS = `
sending confirm placed | sending refuse failed | sending receive - | placed confirm placed | placed receive arrived | placed refuse -
arrived confirm -      | arrived receive -     | failed confirm -  | failed receive -      | failed refuse -`;
const CLOCKS = `running end ended | running stop stopped | ended end - | ended stop - | stopped end - | stopped stop -`;
const HIRES = `
booked hand-out out | booked cancel cancelled | booked come-back -  | booked check-in - | out come-back back | out check-in ended
out cancel -        | out hand-out -          | back check-in ended | back come-back -  | back cancel -      | ended check-in -
ended cancel -      | cancelled hand-out -    | cancelled cancel -`;
const EXCHANGE = `
as-taken cleaned cleaned | as-taken fitted - | proven fitted fitted | proven as-taken - | cleaned scrapped scrapped | fitted scrapped - | scrapped proven -`;

const rows = (text: string): [string, string, string][] =>
  text
    .split(/[|\n]/)
    .map((row) => row.trim().split(/\s+/))
    .flatMap(([state = '', action = '', next = '']) => (state === '' ? [] : [[state, action, next]]));

describe.each([
  ['a part line', PART_LINE, PART_LINES],
  ['an order', ORDER, ORDERS],
  ['a clock', CLOCK, CLOCKS],
  ['a hire', HIRE, HIRES],
  ['an exchange part', EXCHANGE_PART, EXCHANGE],
])('%s', (_name, table, expected) => {
  test.each(rows(expected))('%s, %s: %s', (state, action, next) => {
    const after = table.after(state as never, action as never);
    expect(after).toEqual(next === '-' ? { ok: false, state, action } : { ok: true, state: next });
  });
});

test('where an action may begin, and what is a state', () => {
  expect(PART_LINE.from('use')).toEqual(['reserved', 'arrived']);
  expect(ORDER.from('receive')).toEqual(['placed']);
  expect([PART_LINE.isState('used'), PART_LINE.isState('toString')]).toEqual([true, false]);
});

test('what is promised may be used, what is missing may not', () => {
  for (const state of PROMISED_LINES) expect(PART_LINE.after(state, 'use').ok).toBe(true);
  for (const state of MISSING_LINES) expect(PART_LINE.after(state, 'use').ok).toBe(false);
});

test('its worked example: closing what is shut is refused with what it is', () => {
  const lid = stateTable<'open' | 'shut', 'close'>({ open: { close: 'shut' }, shut: {} });
  expect(lid.after('open', 'close')).toEqual({ ok: true, state: 'shut' });
  expect(lid.after('shut', 'close')).toEqual({ ok: false, state: 'shut', action: 'close' });
});
