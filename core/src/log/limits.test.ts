import { kindOf, namesOf, tellEntry, type KindId, type Wording } from './index';
import { ID, SAMPLES } from './kinds.samples';
import { EMPTY_CARD } from '../card';
import { cardOf } from './cardOf';
import { newLogEntry } from './newLogEntry';

const OTHER = '6f1f6a52-1f0e-4f5e-9a55-0c9b2f6f0002';
const taken = (kind: KindId, changed: object): boolean => {
  const facts = { ...SAMPLES[kind][0], ...changed };
  return kindOf(kind)?.facts.noUnknown().isValidSync(facts, { strict: true }) === true;
};
const circle = (at: number, radius = 0.1) => ({ kind: 'circle', at: [at, 0.5], radius });
const number = (n: unknown) => ({ kind: 'number', at: [0.5, 0.5], number: n });
const fastener = { count: 1, size: 'nut', place: 'middle' };
const many = <T>(count: number, one: T): T[] => Array.from({ length: count }, () => one);

/** What a field takes and what it does not, at its edges, written by hand. */
describe('facts at their limits', () => {
  test.each<[KindId, object, object]>([
    ['taken-off', { place: 1 }, { place: 0 }],
    ['taken-off', { place: 24 }, { place: 25 }],
    ['taken-off', { place: 2 }, { place: 2.5 }],
    ['taken-off', { what: 'x'.repeat(80) }, { what: 'x'.repeat(81) }],
    ['taken-off', { tray: 'x'.repeat(20) }, { tray: 'x'.repeat(21) }],
    ['taken-off', { tray: 'B' }, { tray: '' }],
    ['taken-off', { key: 'x'.repeat(60) }, { key: 'x'.repeat(61) }],
    ['taken-off', { orientation: 'x'.repeat(300) }, { orientation: 'x'.repeat(301) }],
    ['taken-off', { linkHole: 'x'.repeat(80) }, { linkHole: 'x'.repeat(81) }],
    ['taken-off', { quarterTurns: 0 }, { quarterTurns: -1 }],
    ['taken-off', { quarterTurns: 400 }, { quarterTurns: 401 }],
    ['taken-off', { fasteners: many(12, fastener) }, { fasteners: many(13, fastener) }],
    ['taken-off', { fasteners: [{ ...fastener, count: 99 }] }, { fasteners: [{ ...fastener, count: 100 }] }],
    ['taken-off', { fasteners: [] }, { fasteners: [{ ...fastener, count: 0 }] }],
    ['taken-off', { fasteners: [] }, { fasteners: [{ ...fastener, colour: 'blue' }] }],
    ['taken-off', { stack: many(12, 'shim') }, { stack: many(13, 'shim') }],
    ['taken-off', { stack: ['x'.repeat(80)] }, { stack: ['x'.repeat(81)] }],
    ['photo-marked', { marks: many(60, circle(0)) }, { marks: many(61, circle(0)) }],
    ['photo-marked', { marks: [circle(-0.5)] }, { marks: [circle(-0.6)] }],
    ['photo-marked', { marks: [circle(1.5)] }, { marks: [circle(1.6)] }],
    ['photo-marked', { marks: [number(1)] }, { marks: [number(0)] }],
    ['photo-marked', { marks: [number(99)] }, { marks: [number(100)] }],
    ['photo-marked', { marks: [number(7)] }, { marks: [number(7.5)] }],
    ['photo-marked', { marks: [] }, { marks: [{ kind: 'star', at: [0, 0] }] }],
    [
      'photo-marked',
      { marks: [{ kind: 'arrow', from: [0, 0], to: [1, 1] }] },
      { marks: [{ kind: 'arrow', from: [0, 0] }] },
    ],
    ['photo-marked', { marks: [circle(0.2)] }, { marks: [{ ...circle(0.2), at: [0.2] }] }],
    ['photo-marked', { marks: [circle(0.2)] }, { marks: [{ ...circle(0.2), ink: 'red' }] }],
    ['replaced', { part: 'x'.repeat(40) }, { part: 'x'.repeat(121) }],
    ['proof-reading', { value: 0 }, { value: -0.1 }],
    ['proof-reading', { value: 100_000 }, { value: 100_000.1 }],
    ['proof-reading', { unit: 'x'.repeat(12) }, { unit: 'x'.repeat(13) }],
    ['proof-reading', { reading: SAMPLES['proof-reading'][0].reading }, { reading: 'mood' }],
    ['reading', { outcome: 'x'.repeat(40) }, { outcome: 'x'.repeat(41) }],
    ['reading', { when: 'after' }, { when: 'meanwhile' }],
    ['clock-ended', { result: 'x'.repeat(40) }, { result: 'x'.repeat(41) }],
    ['clock-ended', { note: 'x'.repeat(2000) }, { note: 'x'.repeat(2001) }],
    ['step-dropped', { why: 'Not' }, { why: 'No' }],
    // What cannot be seen is no reason: space, zero width, filler.
    ['step-dropped', { why: 'a b c' }, { why: '    ' }],
    ['step-dropped', { why: 'abc' }, { why: 'ab\u200b\u200d\u2060' }],
    ['job-dropped', { why: 'abc' }, { why: '\u3164\u3164\u2800\u00ad\ufeff' }],
    ['step-changed', { was: 'x'.repeat(300) }, { was: 'x'.repeat(301) }],
    ['part-asked', { count: 1 }, { count: 0 }],
    ['part-asked', { count: 2 }, { count: 2.5 }],
    ['note', { text: 'x' }, { text: '' }],
    ['causes-confirmed', { causes: ['main-jet-blocked', 'filter-blocked'] }, { causes: ['bad-luck'] }],
    ['causes-confirmed', { causes: ['main-jet-blocked'] }, { causes: [] }],
    ['check-in', { fuelEighths: 0 }, { fuelEighths: -1 }],
    ['check-in', { fuelEighths: 8 }, { fuelEighths: 9 }],
    ['check-in', { fuelEighths: 4 }, { fuelEighths: 4.5 }],
    ['check-in', { missing: [{ id: 'key', count: 50 }] }, { missing: [{ id: 'key', count: 51 }] }],
    ['check-in', { missing: [{ id: 'key', count: 0 }] }, { missing: [{ id: 'key', count: -1 }] }],
    ['check-in', { ended: 'ended-dead' }, { ended: 'somehow' }],
    ['check-in', { fuelTap: 'none' }, { fuelTap: 'open' }],
    ['check-in', { stations: [{ id: 'a', seconds: 0 }] }, { stations: [{ id: 'a', seconds: -1 }] }],
    ['check-in', { stations: [{ id: 'a', seconds: 86_400 }] }, { stations: [{ id: 'a', seconds: 86_401 }] }],
    ['check-in', { remarks: 'x'.repeat(2000) }, { remarks: 'x'.repeat(2001) }],
    ['check-out', { kit: [] }, { kit: undefined }],
  ])('%s takes %j, not %j', (kind, good, bad) => expect([taken(kind, good), taken(kind, bad)]).toEqual([true, false]));

  const hours = (changed: object) => ({ hours: { ...SAMPLES['check-in'][0].hours, ...changed } });
  test.each([
    ['0', true],
    ['99999.9', true],
    ['123456', false],
    ['12.34', false],
    ['x12', false],
    ['12 h', false],
    ['-1', false],
    ['', false],
  ])('an hour meter shows %s: %s', (typed, is) => expect(taken('check-in', hours({ typed }))).toBe(is));
  test('a meter is replaced or rolls over, and at a round number', () => {
    const event = (changed: object) =>
      taken('check-in', hours({ meterEvent: { kind: 'rolled-over', oldReading: null, newMeterShows: 0, ...changed } }));
    expect([event({}), event({ rollsAt: 1000 }), event({ rollsAt: 500 }), event({ kind: 'broken' })]).toEqual([
      true,
      true,
      false,
      false,
    ]);
  });

  const answers = (changed: object) => ({ answers: [{ check: 'oil', result: 'ok', photos: [], ...changed }] });
  test.each([
    [{}, true],
    [{ photos: many(6, ID) }, true],
    [{ photos: many(7, ID) }, false],
    [{ result: 'perhaps' }, false],
    [{ cause: 'wear' }, true],
    [{ cause: 'fate' }, false],
    [{ reading: { value: 3, unit: 'mm' } }, true],
    [{ reading: { value: 3 } }, false],
    [{ check: '' }, false],
  ])('an answer with %j is one: %s', (changed, is) => expect(taken('check-in', answers(changed))).toBe(is));
});

test.each([
  [{ runs: 'no', leaks: true, complete: false }, true],
  [undefined, true],
  [{ runs: 'perhaps', leaks: true, complete: false }, false],
  [{ runs: 'no', leaks: true }, false],
  [{ runs: 'no', leaks: true, complete: false, smells: true }, false],
])('said at the gate: %j is taken: %s', (atGate, is) =>
  expect(taken('hire-back', { reference: 'B-1', ...(atGate ? { atGate } : {}) })).toBe(is),
);

test.each(['repaired', 'said-so', 'causes-confirmed'] as const)(
  '%s of a former edition, still on a phone, is taken',
  (kind) => {
    const { fault, causes, ...rest } = {
      fault: 'fuel-low-or-off',
      causes: ['fuel-low-or-off'],
      so: true,
      why: 'Looked',
    };
    const facts = { repaired: { fault }, 'said-so': { fault, ...rest }, 'causes-confirmed': { causes, note: '' } }[
      kind
    ];
    expect(taken(kind, facts)).toBe(true);
  },
);

describe('an entry as a device sends it', () => {
  const sent = { id: ID, kind: 'note', tag: 'GE-07', facts: { text: 'Loud' } };
  test('is checked by its kind, and what it does not name is null', () => {
    expect(newLogEntry.cast(sent)).toEqual({
      ...sent,
      ...{ jobId: null, findingId: null, lineId: null, offsetMs: null },
    });
    expect(newLogEntry.isValidSync(sent)).toBe(true);
    for (const wrong of [
      { kind: 'fuel-poured' },
      { kind: 'steps-listed' },
      { id: 'one' },
      { tag: 'seven' },
      { jobId: '12x' },
      { findingId: 'f' },
      { lineId: 'l' },
      { at: 'yesterday' },
      { facts: null },
      { facts: { text: 'Loud', colour: 'red' } },
    ])
      expect([wrong, newLogEntry.isValidSync({ ...sent, ...wrong })]).toEqual([wrong, false]);
    expect(newLogEntry.isValidSync({ ...sent, mood: 1 }, { strict: true })).toBe(false);
  });
});

describe('sentences by what came of it', () => {
  const wording: Wording = {
    time: (at) => at,
    hours: (h) => `${h} h`,
    fuel: (e) => `${e}/8`,
    readiness: (word) => word,
  };
  const tell = (kind: KindId, changed: object, outcome: object) =>
    tellEntry({ kind, facts: { ...SAMPLES[kind][0], ...changed }, outcome }, wording);

  test('a proof with and without its load, and one of older days', () => {
    const done = (proof: object) => tell('job-finished', { note: '' }, { title: 'Pump seals', proof }).lines;
    expect(done({ minutesRun: 20, minutesUnderLoad: 12, load: 'Half load' })).toEqual([
      'Proved: 20 min under load. Half load.',
    ]);
    expect(done({ minutesUnderLoad: 12, load: null })).toEqual(['Proved: 12 min under load.']);
    expect(done({ minutesRun: 20, load: 'Half load' })).toEqual(['Proved: 20 min under load.']);
    expect(done({ minutesRun: 5, load: null, readings: [{ name: 'Volts', value: 240, unit: 'V' }] })).toEqual([
      'Proved: 5 min under load.',
      'Volts: 240 V',
    ]);
  });

  test('a check-in on its way says what was typed; a second look and the meter’s end are said', () => {
    const sample = SAMPLES['check-in'][0];
    const hours = (kind: 'replaced' | 'rolled-over') => ({
      hours: { ...sample.hours, meterEvent: { kind, oldReading: null, newMeterShows: 0 } },
    });
    expect(tell('check-in', { remarks: '' }, {})).toEqual({
      title: 'Checked in',
      lines: [`${sample.hours.typed} h on the meter; fuel ${sample.fuelEighths}/8.`],
    });
    expect(tell('check-in', hours('replaced'), {}).lines).toContain('The hour meter was replaced.');
    expect(tell('check-in', hours('rolled-over'), {}).lines).toContain('The hour meter rolled over.');
    expect(tell('check-in', { secondLookOf: OTHER }, {}).title).toBe('Checked in (second look)');
    expect(tell('check-in', {}, { hurried: [], hoursRun: 0, trueHours: 5 }).lines[0]).toBe(
      `5 h; fuel ${sample.fuelEighths}/8.`,
    );
  });

  test('a check-out on its way, taken, and with its prep waived', () => {
    const sample = SAMPLES['check-out'][0];
    const start = `${sample.hours.typed} h on the meter; fuel ${sample.fuelEighths}/8`;
    expect(tell('check-out', {}, {})).toEqual({ title: 'Handed out', lines: [`${start}.`] });
    expect(tell('check-out', { waiverReason: 'Next door' }, { reference: 'H-1', dueAt: 'noon', waived: true })).toEqual(
      {
        title: 'Handed out on H-1',
        lines: [`${start}; due noon.`, 'Prep waived: Next door'],
      },
    );
  });

  test('only the numbers of a reading, with their unit', () => {
    const given = { supply: 80, cylinder: 60, unit: 'psi', note: 'cold' };
    expect(tell('reading', { reading: 'leak-down', given, outcome: 'worn-out' }, {})).toEqual({
      title: 'leak down before: 80 60 psi',
      lines: ['worn out'],
    });
  });
});

describe('what ids are called on a card', () => {
  const at = '2030-03-04T09:00:00Z';
  const entry = <K extends KindId>(kind: K, facts: object) => ({
    id: `${kind}`,
    at,
    by: 'Ivo',
    kind,
    facts: { ...SAMPLES[kind][0], ...facts },
    outcome: {},
  });
  const card = cardOf([
    entry('steps-listed', {
      steps: [
        { stepId: ID, key: 'a', title: 'Do A' },
        { stepId: OTHER, key: 'b', title: 'Do B' },
      ],
    }),
    entry('taken-off', { thingId: OTHER, what: 'Cowl' }),
    entry('taken-off', { thingId: ID, what: 'Bowl' }),
    entry('clock-started', { clockId: ID, clock: 'drip-test' }),
  ]);

  test('things, steps and clocks by their id, a clock also by its kind', () => {
    expect(namesOf(card, { thingId: ID })).toEqual({ what: 'Bowl' });
    expect(namesOf(card, { stepId: OTHER })).toEqual({ step: 'Do B' });
    expect(namesOf(card, { clockId: ID })).toEqual({ clock: 'Drip test' });
    expect(namesOf(card, { clock: 'drip-test' })).toEqual({ clock: 'Drip test' });
    for (const facts of [null, 7, {}, { thingId: 7 }, { stepId: 'x' }]) expect(namesOf(card, facts)).toEqual({});
    expect(namesOf(EMPTY_CARD, { thingId: ID })).toEqual({});
  });

  test('a note keeps its step; how a thing sat is written over; a decision stands on the card', () => {
    const after = (kind: KindId, facts: object) => cardOf([entry('taken-off', { thingId: ID }), entry(kind, facts)]);
    expect(after('note', { text: 'Loud', stepId: OTHER }).notes).toMatchObject([
      { by: 'Ivo', at, facts: { text: 'Loud', stepId: OTHER } },
    ]);
    expect(after('note', { text: 'Loud', stepId: undefined }).notes).toMatchObject([{ facts: { stepId: null } }]);
    expect(after('thing-changed', { thingId: ID, orientation: 'Up' }).ledger.things).toMatchObject([
      { thingId: ID, orientation: 'Up', state: 'off' },
    ]);
    expect(after('decided', { way: 'swap-engine', why: 'Worn' }).decision).toMatchObject({ facts: { why: 'Worn' } });
    expect(after('photo', { photoId: OTHER, thingId: null, marks: [] }).ledger.things[0]?.photos).toEqual([]);
    expect(after('photo', { photoId: OTHER, thingId: ID, marks: [] }).ledger.things[0]?.photos).toEqual([
      { photoId: OTHER, marks: [] },
    ]);
  });
});
