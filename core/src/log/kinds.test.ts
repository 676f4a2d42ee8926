import { ValidationError } from 'yup';
import { ROLES, type Role } from '../fields';
import { isLogKind, kindOf, newLogEntry, tellEntry, type KindId, type Wording } from './index';
import { LOG_KINDS } from './kinds';
import { ID, SAMPLES } from './kinds.samples';

const wording: Wording = {
  time: (instant) => instant.slice(0, 10),
  hours: (hours) => `${hours} h`,
  fuel: (eighths) => `${eighths}/8`,
  readiness: (word) => word,
};

/** Who may send which kind, written by hand: anyone not named may not. */
const BENCH_WORK = 'apprentice technician lead';
const SIGNATURE = 'technician lead';
const WHO: Readonly<Record<KindId, string>> = {
  fuelled: 'apprentice technician lead counter',
  'fuel-out': BENCH_WORK,
  'fuel-seen': 'apprentice technician lead counter',
  'laid-up': SIGNATURE,
  woken: SIGNATURE,
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
  parked: BENCH_WORK,
  'handed-on': BENCH_WORK,
  placed: SIGNATURE,
  'signature-asked': BENCH_WORK,
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
  'answer-taken-back': BENCH_WORK,
  'load-not-had': 'lead',
  proved: SIGNATURE,
  'job-raised': SIGNATURE,
  'job-started': BENCH_WORK,
  'defect-found': BENCH_WORK,
  'defect-closed': SIGNATURE,
  'lived-with': 'lead',
  'not-fitted': 'lead',
  'fitted-after-all': 'lead',
  countersigned: BENCH_WORK,
  'figure-confirmed': 'lead',
  'judged-anew': '',
  'job-finished': SIGNATURE,
  'job-dropped': SIGNATURE,
  'job-put-off': SIGNATURE,
  note: 'apprentice technician lead counter',
  'finding-opened': BENCH_WORK,
  'machine-described': BENCH_WORK,
  seen: BENCH_WORK,
  'could-not-tell': BENCH_WORK,
  'taken-back': BENCH_WORK,
  repaired: BENCH_WORK,
  'said-so': SIGNATURE,
  'causes-confirmed': SIGNATURE,
  'hire-booked': '',
  'hire-back': 'technician lead counter',
  'hire-cancelled': '',
  'hire-changed': '',
  'trouble-told': 'technician lead counter',
  'told-moved': 'technician lead counter',
  'left-anyway': 'lead',
  'unit-added': '',
  'unit-changed': '',
  'reading-corrected': SIGNATURE,
  measured: BENCH_WORK,
  'standing-note': BENCH_WORK,
  'standing-note-ended': BENCH_WORK,
  'part-asked': BENCH_WORK,
  'part-numbered': BENCH_WORK,
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

  test('refuses whatever else stands in a field, and upsets nothing', () => {
    const schema = kindOf(id)?.facts.noUnknown();
    const odd = [null, false, 0, -1, 1e300, '', 'x', [], [null], {}, { length: 1 }, { then: 1 }];
    for (const name of Object.keys(facts))
      for (const value of odd) {
        const validate = () => schema?.validateSync({ ...facts, [name]: value }, { abortEarly: false });
        try {
          validate();
        } catch (error) {
          expect(error).toBeInstanceOf(ValidationError);
        }
      }
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
