import type { Facts, KindId } from './index';

export type Samples<K extends KindId> = {
  readonly [Kind in K]: readonly [facts: Facts<Kind>, outcome: object, title: string, ...lines: string[]];
};

export const ID = '6f1f6a52-1f0e-4f5e-9a55-0c9b2f6f0001';
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

/** What happens on a card: facts of each kind, what came of it, and how it reads. */
export const CARD_SAMPLES = {
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
  parked: [
    { why: 'Waits for the maker' },
    { unproved: true },
    'Parked',
    'Waits for the maker',
    'What was worked on is not proved yet.',
  ],
  'handed-on': [{ to: 3, note: 'Bowl is clean' }, { to: 'Maren' }, 'Handed on to Maren', 'Bowl is clean'],
  placed: [{ to: 3, at: '2030-03-04T09:00:00Z' }, { to: 'Maren' }, 'Planned by hand for Maren'],
  'signature-asked': [{ note: 'Runs well' }, {}, 'A signature is asked for', 'Runs well'],
  resumed: [{ why: '' }, {}, 'Work resumed'],
  'clock-started': [
    { clockId: ID, clock: 'drip-test', minutes: 60, stepId: null, shortWhy: 'Hirer waits' },
    { clock: 'Drip test' },
    'Drip test: 60 min started',
    'Shorter than usual: Hirer waits',
  ],
  'clock-ended': [
    { clockId: ID, result: 'dry', note: '', earlyWhy: 'Bowl replaced' },
    { clock: 'Drip test' },
    'Drip test: dry',
    'Ended before its time: Bowl replaced',
  ],
  decided: [{ way: 'swap-engine', why: 'Worn', figures: {} }, {}, 'Decided: swap the engine', 'Worn'],
  'to-proof': [{}, {}, 'Proof started'],
  'back-to-work': [{ why: 'Leaks' }, {}, 'Proof stopped, back to the work', 'Leaks'],
  'leak-look': [
    { dry: true, note: 'Wiped', did: 'New bowl gasket' },
    {},
    'Fuel on: dry',
    'Wiped',
    'Done since: New bowl gasket',
  ],
  'proof-load': [{ load: 'load-bank', figure: { value: 5000, unit: 'W' } }, {}, 'Load: load bank', 'Set to 5000 W'],
  'load-not-had': [{ why: 'No snow in July' }, {}, 'No load to be had', 'No snow in July'],
  smoke: [{ clear: true }, {}, 'Exhaust clear'],
  'run-started': [{}, {}, 'Run started'],
  'run-stopped': [{ why: '' }, {}, 'Run stopped'],
  'proof-reading': [
    { reading: 'hertz-0', value: 62, unit: 'Hz', live: true, insteadOf: ID, why: 'Clamp was off' },
    {},
    'Proof reading, hertz 0: 62 Hz',
    'By the instruments',
    'In place of another',
    'Clamp was off',
  ],
  'proof-look': [
    { look: 'restart-hot', ok: true, did: 'Set the choke' },
    {},
    'restart hot: right',
    'Done since: Set the choke',
  ],
  'answer-taken-back': [{ entryId: ID }, {}, 'An answer taken back'],
  proved: [{ passed: true, note: '', witnessId: ID }, {}, 'Proof passed'],
} satisfies Partial<Samples<KindId>>;
