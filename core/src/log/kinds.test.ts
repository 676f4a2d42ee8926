import { ROLES, type Role } from '../fields';
import { isLogKind, kindOf, newLogEntry, tellEntry, type Facts, type KindId, type Wording } from './index';
import { LOG_KINDS } from './kinds';

const ID = '6f1f6a52-1f0e-4f5e-9a55-0c9b2f6f0001';
const THING = {
  thingId: ID,
  what: 'Bowl',
  key: null,
  tray: 'A',
  place: 3,
  fasteners: [{ count: 1, size: 'nut', place: 'middle' }],
  orientation: 'Drain hole down',
  linkHole: '',
  stack: [],
  quarterTurns: null,
};
const HOURS = { typed: '123.4', confirmed: false, meterEvent: null };
const wording: Wording = {
  time: (instant) => instant.slice(0, 10),
  hours: (hours) => `${hours} h`,
  fuel: (eighths) => `${eighths}/8`,
  readiness: (word) => word,
};

/** Of each kind: facts that go with it, what came of it, and how it reads. Written by hand; a kind without a line does not compile. */
const SAMPLES: {
  readonly [K in KindId]: readonly [facts: Facts<K>, outcome: object, title: string, ...lines: string[]];
} = {
  'steps-listed': [
    { edition: '1', from: 'start', steps: [{ stepId: ID, key: 'a', title: 'Do A' }] },
    {},
    'Steps listed: start',
  ],
  'step-added': [{ stepId: ID, title: 'Look at the hose' }, {}, 'Step added: Look at the hose'],
  'step-changed': [{ stepId: ID, title: 'New hose', was: 'Hose' }, {}, 'Step changed: New hose'],
  'step-done': [{ stepId: ID }, { step: 'New hose' }, 'Done: New hose'],
  'step-undone': [{ stepId: ID }, {}, 'Open again: a step'],
  'step-dropped': [{ stepId: ID, why: 'Not needed' }, { step: 'New hose' }, 'Not done: New hose', 'Not needed'],
  'hands-on': [{}, {}, 'Hands-on time started'],
  'hands-off': [{}, {}, 'Hands-on time stopped'],
  photo: [{ photoId: ID, marks: [], stepId: null, thingId: null }, {}, 'Photo taken'],
  'photo-marked': [{ photoId: ID, marks: [{ kind: 'circle', at: [0.5, 0.5], radius: 0.1 }] }, {}, 'Photo marked'],
  'teardown-begun': [{ teardown: 'head-off' }, {}, 'Taking apart: head off'],
  'taken-off': [THING, {}, 'Taken off: Bowl', 'Tray A, 3'],
  'thing-changed': [THING, {}, 'How it sat: Bowl', 'Drain hole down'],
  'put-back': [{ thingId: ID }, { what: 'Bowl' }, 'Back on: Bowl'],
  'taken-off-again': [{ thingId: ID }, { what: 'Bowl' }, 'Taken off again: Bowl'],
  replaced: [{ thingId: ID, part: 'TV-1', forTrial: true }, { what: 'Bowl' }, 'For the trial only: Bowl', 'By TV-1'],
  'struck-off': [{ thingId: ID, why: 'Would snap' }, { what: 'Bowl' }, 'Stays as it is: Bowl', 'Would snap'],
  reading: [
    { reading: 'plug-gap', given: { value: 0.03, unit: 'in' }, outcome: 'in-spec', when: 'before', stepId: null },
    {},
    'plug gap before: 0.03 in',
    'in spec',
  ],
  'trial-start': [{ how: 'ran-badly', note: 'Hunts' }, {}, 'Trial start: ran badly', 'Hunts'],
  paused: [{ for: 'part', why: '' }, {}, 'Paused: waiting for a part'],
  resumed: [{ why: '' }, {}, 'Work resumed'],
  'clock-started': [
    { clockId: ID, clock: 'drip-test', minutes: 120, stepId: null },
    { clock: 'Drip test' },
    'Drip test: 120 min started',
  ],
  'clock-ended': [{ clockId: ID, result: 'dry', note: '' }, { clock: 'Drip test' }, 'Drip test: dry'],
  decided: [{ way: 'swap-engine', why: 'Worn', figures: {} }, {}, 'Decided: swap the engine', 'Worn'],
  'to-proof': [{}, {}, 'Proof started'],
  'back-to-work': [{ why: 'Leaks' }, {}, 'Proof stopped, back to the work', 'Leaks'],
  'leak-look': [{ dry: false, note: 'At the bowl' }, {}, 'It leaks', 'At the bowl'],
  'proof-load': [{ load: 'load-bank' }, {}, 'Load: load bank'],
  smoke: [{ clear: true }, {}, 'Exhaust clear'],
  'run-started': [{}, {}, 'Run started'],
  'run-stopped': [{ why: '' }, {}, 'Run stopped'],
  'proof-reading': [
    { reading: 'hertz-0', value: 62, unit: 'Hz', live: true },
    {},
    'Proof reading, hertz 0: 62 Hz',
    'By the instruments',
  ],
  'proof-look': [{ look: 'restart-hot', ok: false }, {}, 'restart hot: not right'],
  proved: [{ passed: true, note: '' }, {}, 'Proof passed'],
  'job-raised': [{ kind: 'prep', title: 'Clean it', minutes: 15, blocks: 'prep' }, {}, 'Job raised: Clean it'],
  'job-started': [{}, { title: 'Clean it' }, 'Work started: Clean it'],
  'job-finished': [
    { note: 'All well' },
    {
      title: 'New plug',
      proof: { minutesRun: 21, load: 'heaters', readings: [{ name: 'Hertz, no load', value: 62, unit: 'Hz' }] },
    },
    'Done: New plug',
    'Proved: 21 min under load.',
    'Hertz, no load: 62 Hz',
    'All well',
  ],
  'job-dropped': [{ why: 'Sold' }, { title: 'New plug' }, 'Dropped: New plug', 'Sold'],
  note: [{ text: 'Bring a light' }, {}, 'Note', 'Bring a light'],
  'finding-opened': [{ machine: { engine: {}, past: {} } }, {}, 'Started to find the fault'],
  'machine-described': [{ machine: { engine: { strokes: 2 }, past: {} } }, {}, 'Engine and past described'],
  seen: [
    { observation: 'compression', outcomes: ['worn'], reading: { value: 80, unit: 'psi', method: 'gauge' } },
    {},
    'Compression by gauge: worn',
    '80 psi, by gauge',
  ],
  'could-not-tell': [{ observation: 'choke' }, {}, 'Off the choke: could not tell'],
  'taken-back': [{ observation: 'choke' }, {}, 'Taken back: off the choke'],
  repaired: [{ fault: 'filter-blocked' }, {}, 'Repaired, but the trouble was still there: fuel filter blocked'],
  'causes-confirmed': [{ causes: ['filter-blocked'], note: 'Black' }, {}, 'Found: fuel filter blocked', 'Black'],
  'hire-booked': [
    { reference: 'B-1', fromAt: '2030-03-04T09:00:00Z', toAt: '2030-03-05T09:00:00Z' },
    {},
    'Booked: B-1',
    '2030-03-04 to 2030-03-05',
  ],
  'hire-back': [{ reference: 'B-1' }, {}, 'Back on the yard from B-1'],
  'hire-cancelled': [{ reference: 'B-1' }, {}, 'Hire B-1 cancelled'],
  'unit-added': [{ serial: 'S-1', reading: 12 }, { trueHours: 12 }, 'Came to the yard', '12 h'],
  'unit-changed': [{ homeBay: 'North 2' }, {}, 'Changed: bay North 2'],
  'reading-corrected': [
    { readingId: '7', reading: 12.5, why: 'Misread' },
    { from: 125 },
    'Reading corrected: 125 to 12.5',
    'Misread',
  ],
  'part-asked': [
    { lineId: ID, number: 'TV-1', count: 2 },
    { number: 'TV-2', part: 'Plug', count: 2, state: 'reserved' },
    'Part reserved: 2 × TV-2 Plug',
  ],
  'part-line-changed': [{ action: 'use' }, { number: 'TV-2', part: 'Plug', count: 2 }, 'Part used: 2 × TV-2 Plug'],
  'part-ordered': [{}, { number: 'TV-2', part: 'Plug', count: 2 }, 'Part ordered: 2 × TV-2 Plug'],
  'part-late': [{}, { number: 'TV-2', part: 'Plug', count: 2 }, 'Part late: 2 × TV-2 Plug'],
  'part-arrived': [{}, { number: 'TV-2', part: 'Plug', count: 2 }, 'Part arrived: 2 × TV-2 Plug'],
  'part-kept': [{ name: 'Float', number: null, place: 'Box 4' }, {}, 'Kept as an exchange part: Float'],
  'check-in': [
    {
      startedAt: '2030-03-04T09:00:00Z',
      basedOn: null,
      secondLookOf: null,
      hours: HOURS,
      fuelEighths: 6,
      fuelTap: 'was-shut',
      ended: 'well',
      missing: [],
      complaintIds: [],
      remarks: 'Muddy',
      answers: [{ check: 'oil-level', result: 'ok', reading: undefined, photos: [] }],
      stations: [{ id: 'engine', seconds: 30 }],
    },
    {
      trueHours: 123.4,
      hoursRun: 9,
      verdict: { result: 'held', reasons: [{ sentence: 'Oil is low.' }] },
      readings: [{ name: 'Battery', value: 12.6, unit: 'V' }],
      hurried: ['Engine'],
    },
    'Checked in: held',
    '123.4 h, 9 h on this hire; fuel 6/8.',
    'Oil is low.',
    'Battery: 12.6 V',
    'Passed faster than it can be looked at: Engine.',
    '“Muddy”',
  ],
  'check-out': [
    { hire: null, dueAt: null, hours: HOURS, fuelEighths: 8, kit: [], looks: [], waiverReason: 'Dirty only' },
    { trueHours: 123.4, reference: 'W-1', dueAt: '2030-03-06T09:00:00Z', waived: true },
    'Handed out on W-1',
    '123.4 h; fuel 8/8; due 2030-03-06.',
    'Prep waived: Dirty only',
  ],
};

/** Who may send which kind, written by hand: anyone not named may not. */
const BENCH_WORK = 'apprentice technician lead';
const SIGNATURE = 'technician lead';
const WHO: Readonly<Record<KindId, string>> = {
  'steps-listed': '',
  'step-added': BENCH_WORK,
  'step-changed': BENCH_WORK,
  'step-done': BENCH_WORK,
  'step-undone': BENCH_WORK,
  'step-dropped': BENCH_WORK,
  'hands-on': BENCH_WORK,
  'hands-off': BENCH_WORK,
  photo: BENCH_WORK,
  'photo-marked': BENCH_WORK,
  'teardown-begun': BENCH_WORK,
  'taken-off': BENCH_WORK,
  'thing-changed': BENCH_WORK,
  'put-back': BENCH_WORK,
  'taken-off-again': BENCH_WORK,
  replaced: BENCH_WORK,
  'struck-off': BENCH_WORK,
  reading: BENCH_WORK,
  'trial-start': BENCH_WORK,
  paused: BENCH_WORK,
  resumed: BENCH_WORK,
  'clock-started': BENCH_WORK,
  'clock-ended': BENCH_WORK,
  decided: SIGNATURE,
  'to-proof': BENCH_WORK,
  'back-to-work': BENCH_WORK,
  'leak-look': BENCH_WORK,
  'proof-load': BENCH_WORK,
  smoke: BENCH_WORK,
  'run-started': BENCH_WORK,
  'run-stopped': BENCH_WORK,
  'proof-reading': BENCH_WORK,
  'proof-look': BENCH_WORK,
  proved: SIGNATURE,
  'job-raised': SIGNATURE,
  'job-started': BENCH_WORK,
  'job-finished': SIGNATURE,
  'job-dropped': SIGNATURE,
  note: 'apprentice technician lead counter',
  'finding-opened': BENCH_WORK,
  'machine-described': BENCH_WORK,
  seen: BENCH_WORK,
  'could-not-tell': BENCH_WORK,
  'taken-back': BENCH_WORK,
  repaired: BENCH_WORK,
  'causes-confirmed': SIGNATURE,
  'hire-booked': '',
  'hire-back': 'technician lead counter',
  'hire-cancelled': '',
  'unit-added': '',
  'unit-changed': '',
  'reading-corrected': SIGNATURE,
  'part-asked': BENCH_WORK,
  'part-line-changed': BENCH_WORK,
  'part-ordered': '',
  'part-late': '',
  'part-arrived': '',
  'part-kept': BENCH_WORK,
  'check-in': BENCH_WORK,
  'check-out': 'technician lead counter',
};

const KINDS = Object.keys(LOG_KINDS).filter(isLogKind);

describe.each(KINDS)('%s', (id) => {
  const kind = LOG_KINDS[id];
  const [facts, outcome, title, ...lines] = SAMPLES[id];

  test('is called by its key', () => expect(kind.kind).toBe(id));

  test('takes the facts that go with it, and no others', () => {
    const schema = kindOf(id)?.facts.noUnknown();
    expect(() => schema?.validateSync(facts, { strict: true })).not.toThrow();
    expect(schema?.isValidSync({ ...facts, strange: 1 }, { strict: true })).toBe(false);
  });

  test('reads as a person would tell it', () =>
    expect(tellEntry({ kind: id, facts, outcome }, wording)).toEqual({ title, lines }));

  test('reads while it is on its way, when nothing has come of it yet', () =>
    expect(tellEntry({ kind: id, facts, outcome: {} }, wording).title.length).toBeGreaterThan(3));

  test('may be sent by whom the table names', () => {
    const who: readonly Role[] = kind.who;
    for (const role of ROLES) expect([role, who.includes(role)]).toEqual([role, WHO[id].split(' ').includes(role)]);
  });

  test('is sent by a device only where somebody may', () =>
    expect(newLogEntry.isValidSync({ id: ID, kind: id, facts })).toBe(WHO[id] !== ''));
});

test('what is no kind is none, by whatever name it asks', () => {
  for (const name of ['', 'toString', '__proto__', 'constructor', 'card-note']) expect(isLogKind(name)).toBe(false);
  expect(tellEntry({ kind: 'fuel-poured', facts: {}, outcome: {} }, wording)).toEqual({
    title: 'fuel poured',
    lines: [],
  });
});

test('an entry with the facts of another kind is refused with what is wrong', () => {
  const sent = { id: ID, kind: 'put-back', facts: { stepId: ID } };
  expect(() => newLogEntry.validateSync(sent)).toThrow(/thingId is a required field/);
});
