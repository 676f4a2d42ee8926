import {
  ANYONE_SIGNED_IN,
  capitals,
  DESK,
  engine,
  HANDS_OUT,
  hours,
  instant,
  LEAD_ONLY,
  machine,
  name,
  reasonText,
  seenLength,
  SIGNS_OFF,
  tag,
  text,
  trimmed,
  version,
  WORKS_ON_UNITS,
} from './index';
import { trimUnseen } from './visible';

const taken = (field: { isValidSync: (value: unknown) => boolean }, value: unknown): boolean =>
  field.isValidSync(value);

test('text comes without the space around it; what is no text stays and is refused', () => {
  expect([trimmed.cast('  a b '), capitals.cast(' ge-07 ')]).toEqual(['a b', 'GE-07']);
  for (const value of [{}, [], 7, true])
    expect([value, trimmed.isValidSync(value, { strict: true })]).toEqual([value, false]);
  expect(taken(capitals, {})).toBe(false);
});

test.each([
  ['GE-07', true],
  [' pw-1234 ', true],
  ['GE-7', false],
  ['GE-12345', false],
  ['G-07', false],
  ['XGE-07', false],
  ['GE-07x', false],
  ['GE07', false],
])('a tag: %s is one: %s', (value, is) => expect(taken(tag, value)).toBe(is));

test.each([
  ['2030-05-01T09:00:00Z', true],
  ['2030-05-01T09:00:00.123+02:00', true],
  ['2030-05-01', false],
  ['x2030-05-01T09:00:00Z', false],
  ['2030-13-01T09:00:00Z', false],
  ['May 1, 2030', false],
  [undefined, true],
])('an instant: %s is one: %s', (value, is) => expect(taken(instant, value)).toBe(is));

test('sizes: a name, a text, an hour meter, a version', () => {
  expect([taken(name, ' '), taken(name, 'a'), taken(name, 'a'.repeat(80)), taken(name, 'a'.repeat(81))]).toEqual([
    false,
    true,
    true,
    false,
  ]);
  expect([taken(text, 'a'.repeat(2000)), taken(text, 'a'.repeat(2001))]).toEqual([true, false]);
  expect([taken(hours, -0.1), taken(hours, 0), taken(hours, 99_999.9), taken(hours, 100_000)]).toEqual([
    false,
    true,
    true,
    false,
  ]);
  expect([taken(version, 0), taken(version, 1), taken(version, 1.5)]).toEqual([false, true, false]);
});

test('an engine may be unknown, but not made up', () => {
  expect([taken(engine, {}), taken(engine, { strokes: 4 }), taken(engine, { strokes: 3 })]).toEqual([
    true,
    true,
    false,
  ]);
  expect(engine.isValidSync({ wings: 2 }, { strict: true })).toBe(false);
  expect(taken(engine, { ignition: 'magic' })).toBe(false);
  expect(machine.cast({})).toEqual({ engine: {}, past: {} });
  const past = (value: object) => machine.isValidSync({ engine: {}, past: value }, { strict: true });
  expect(past({ daysStood: 20_000, hoursSinceService: 99_999, ageYears: 150 })).toBe(true);
  for (const wrong of [
    { daysStood: -1 },
    { daysStood: 20_001 },
    { hoursSinceService: 1e5 },
    { ageYears: 151 },
    { mood: 'good' },
  ])
    expect([wrong, past(wrong)]).toEqual([wrong, false]);
  expect(machine.isValidSync({ engine: {}, past: {}, wings: 2 }, { strict: true })).toBe(false);
});

test('who may what: an apprentice works, technicians and leads sign off, the counter hands out', () => {
  expect([...ANYONE_SIGNED_IN].sort()).toEqual(['apprentice', 'counter', 'lead', 'technician']);
  expect([...WORKS_ON_UNITS].sort()).toEqual(['apprentice', 'lead', 'technician']);
  expect([...SIGNS_OFF].sort()).toEqual(['lead', 'technician']);
  expect([...HANDS_OUT].sort()).toEqual(['counter', 'lead', 'technician']);
  expect([[...DESK].sort(), LEAD_ONLY]).toEqual([['counter', 'lead'], ['lead']]);
});

test.each([
  ['  a b \u200b', 'a b', 2],
  ['\u200b\u2060', '', 0],
  ['\u3164x\u2800', 'x', 1],
  ['', '', 0],
])('of %j stays %j, with %d that can be seen', (text, trimmedTo, seen) => {
  expect([trimUnseen(text), seenLength(text)]).toEqual([trimmedTo, seen]);
  expect(trimmed.cast(text)).toBe(trimmedTo);
});

test('what is too long is refused for its length, and not searched', () => {
  const long = ' '.repeat(2_000_000);
  expect([taken(text, long), taken(tag, long), taken(instant, `2030-05-01T${long}`), taken(reasonText, long)]).toEqual([
    false,
    false,
    false,
    false,
  ]);
});
