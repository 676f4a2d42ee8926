import { folderOf, PROOF_LOOKS } from '../catalogue';
import type { VisitState } from '../card';
import type { ProofNeed } from '../catalogue';
import type { Role } from '../fields';
import { proofSettingOf } from '../proof';
import { cardRefusal } from './cardOf';
import type { KindId } from './index';
import { ID, SAMPLES } from './kinds.samples';

const OTHER = '6f1f6a52-1f0e-4f5e-9a55-0c9b2f6f0002';
const at = '2030-03-04T09:00:00Z';
const entry = (kind: KindId, facts: object = {}) => ({
  id: `${kind}`,
  at,
  by: 'Ivo',
  kind,
  facts: { ...SAMPLES[kind][0], ...facts },
  outcome: {},
});
const setting = proofSettingOf({
  folder: folderOf('tiller'),
  known: PROOF_LOOKS,
  needs: ['leak', 'load'],
  complaint: { afterMinutes: null, comesAndGoes: false },
  systems: [],
});
type Said = ReturnType<typeof entry>;
interface More {
  readonly role?: Role;
  readonly at?: string;
  readonly by?: string;
  readonly state?: VisitState;
  readonly now?: string;
  readonly needs?: readonly ProofNeed[];
}
const refusal = (before: readonly Said[], kind: KindId, facts: object = {}, more: More = {}) =>
  cardRefusal({
    entries: before,
    entry: { ...entry(kind, facts), at: more.at ?? at, by: more.by ?? 'Ivo' },
    role: more.role ?? 'technician',
    state: more.state ?? 'open',
    setting: { ...setting, needs: more.needs ?? setting.needs },
    now: more.now ?? '2030-03-04T12:00:00Z',
  });
/** At a minute after nine. */
const minute = (past: number): string => new Date(Date.parse(at) + past * 60_000).toISOString();
const after = (said: Said, past: number, more: Partial<Said> = {}): Said => ({ ...said, at: minute(past), ...more });

const off = entry('taken-off', { thingId: ID, what: 'Bowl' });
const other = entry('taken-off', { thingId: OTHER, what: 'Cowl' });

describe('what a card does not take, and why', () => {
  test.each<[KindId, object]>([
    ['step-done', { stepId: OTHER }],
    ['step-changed', { stepId: OTHER }],
    ['thing-changed', { thingId: OTHER }],
    ['put-back', { thingId: OTHER }],
    ['taken-off-again', { thingId: OTHER }],
    ['clock-ended', { clockId: OTHER }],
  ])('%s of what is not there', (kind, facts) => {
    const [id] = Object.values(facts);
    const there = [off, entry('steps-listed'), entry('clock-started', { clockId: ID })];
    expect(refusal(there, kind, facts)).toEqual({ code: 'no-such-thing', id });
    expect(refusal([], kind, facts)).toEqual({ code: 'no-such-thing', id });
  });

  test('a thing goes back once: off or on trial, not when it is back or struck off', () => {
    expect(refusal([other, off], 'put-back', { thingId: ID })).toBeNull();
    expect(refusal([off, entry('replaced', { thingId: ID, forTrial: true })], 'put-back', { thingId: ID })).toBeNull();
    expect(refusal([off, entry('put-back', { thingId: ID })], 'put-back', { thingId: ID })).toEqual({
      code: 'not-off',
      what: 'Bowl',
      state: 'back',
    });
    // What was to stay off is on after all.
    expect(refusal([off, entry('struck-off', { thingId: ID })], 'put-back', { thingId: ID })).toBeNull();
    expect(refusal([off, entry('struck-off', { thingId: ID })], 'struck-off', { thingId: ID })).toMatchObject({
      code: 'not-off',
      what: 'Bowl',
    });
  });

  test('what was put back before it came off again is off: whenever that arrives', () => {
    const again = [off, entry('put-back', { thingId: ID }), after(entry('taken-off-again', { thingId: ID }), 30)];
    for (const kind of ['put-back', 'replaced', 'struck-off'] as const)
      expect(refusal(again, kind, { thingId: ID }, { at: minute(20) })).toEqual({
        code: 'seen-before',
        what: 'Bowl',
        since: minute(30),
      });
    expect(refusal(again, 'put-back', { thingId: ID }, { at: minute(30) })).toBeNull();
  });

  test('what is off does not come off again; what is back does', () => {
    expect(refusal([off], 'taken-off-again', { thingId: ID })).toEqual({ code: 'not-off', what: 'Bowl', state: 'off' });
    expect(refusal([off, entry('put-back', { thingId: ID })], 'taken-off-again', { thingId: ID })).toBeNull();
  });

  test('a step and a thing that are there are taken', () => {
    const listed = entry('steps-listed', { steps: [{ stepId: ID, key: 'a', title: 'Do A' }] });
    expect(refusal([listed], 'step-done', { stepId: ID })).toBeNull();
    expect(refusal([other, off], 'thing-changed', { thingId: ID })).toBeNull();
  });

  test('a clock has one result', () => {
    const started = entry('clock-started', { clockId: ID, minutes: 120 });
    const ended = entry('clock-ended', { clockId: ID, result: 'dry' });
    const result = { clockId: ID, result: 'damp', earlyWhy: undefined };
    expect(refusal([started], 'clock-ended', result)).toBeNull();
    expect(refusal([started, ended], 'clock-ended', result)).toEqual({ code: 'clock-ended', result: 'dry' });
  });
});

describe('a clock is a clock', () => {
  const started = (minutes = 120, more: Partial<Said> & { takenAt?: string } = {}): Said => ({
    ...entry('clock-started', { clockId: ID, minutes }),
    ...more,
  });
  const end = (result: string, more: object = {}) => ({ clockId: ID, result, earlyWhy: undefined, ...more });
  const ended = (facts: object, past: number, more: More = {}, said = started()) =>
    refusal([said], 'clock-ended', facts, { at: minute(past), now: minute(past), ...more });

  test('is as long as its kind; longer as anybody likes, shorter by a technician with a reason', () => {
    const start = (minutes: number, more: object, role: Role = 'technician') =>
      refusal([], 'clock-started', { clock: 'drip-test', minutes, shortWhy: undefined, ...more }, { role });
    expect([start(120, {}), start(600, {}, 'apprentice')]).toEqual([null, null]);
    expect(start(119, {})).toEqual({ code: 'clock-too-short', minutes: 120 });
    expect(start(60, { shortWhy: 'Hirer waits' })).toBeNull();
    expect(start(60, { shortWhy: 'Hirer waits' }, 'apprentice')).toEqual({ code: 'signers-only', what: 'short-clock' });
  });

  test('a good result counts when it is over; a bad one at once', () => {
    expect(ended(end('dry'), 119)).toEqual({ code: 'clock-not-over', endsAt: minute(120) });
    expect([ended(end('dry'), 120), ended(end('damp'), 1), ended(end('stopped'), 1)]).toEqual([null, null, null]);
  });

  test('ended early with a reason it never ends well, and no apprentice ends it so', () => {
    const early = { earlyWhy: 'Bowl replaced' };
    expect(ended(end('dry', early), 10)).toEqual({ code: 'early-not-good' });
    expect(ended(end('dry', early), 200)).toEqual({ code: 'early-not-good' });
    expect(ended(end('stopped', early), 10)).toBeNull();
    expect(ended(end('stopped', early), 10, { role: 'apprentice' })).toEqual({
      code: 'signers-only',
      what: 'early-end',
    });
  });

  test('begun without a connection it counts from when that arrived, unless the device counted on', () => {
    const late = started(120, { takenAt: minute(90) });
    expect(ended(end('dry'), 130, {}, late)).toEqual({ code: 'clock-not-over', endsAt: minute(210) });
    expect(ended(end('dry'), 210, {}, late)).toBeNull();
    expect(ended(end('dry', { ranMs: 121 * 60_000 }), 130, {}, late)).toBeNull();
    // It cannot have run longer than since it was begun.
    expect(ended(end('dry', { ranMs: 500 * 60_000 }), 110, {}, late)).toMatchObject({ code: 'clock-not-over' });
  });

  test('one whose start is stamped ahead runs until a person ends it; what was seen before it began ends nothing', () => {
    const ahead = started(120, { at: minute(60 * 24 * 40), takenAt: minute(60 * 24 * 40) });
    expect(ended(end('dry'), 600, {}, ahead)).toMatchObject({ code: 'seen-before' });
    expect(ended(end('dry'), -5)).toMatchObject({ code: 'seen-before' });
  });
});

/** A reading of a tiller's. */
const READING = { reading: 'speed', unit: 'r/min', insteadOf: undefined, why: undefined };

describe('looks of a proof lie in the proof', () => {
  const proving: More = { state: 'to-prove' };
  const dry = entry('leak-look', { dry: true, did: undefined });
  const load = entry('proof-load', { load: 'soil', figure: { value: 15, unit: 'cm' } });
  const start = (past: number) => after(entry('run-started'), past);
  const stop = (past: number) => after(entry('run-stopped'), past);
  const look = (name: string, past: number, before: readonly Said[], more: More = {}) =>
    refusal(before, 'proof-look', { look: name, ok: true, did: undefined }, { ...proving, at: minute(past), ...more });
  const begun = [entry('to-proof'), dry, load];

  test('what is about a run is said once it has run, or has run its time and stands', () => {
    expect(look('steady', 0, begun)).toEqual({ code: 'run-first' });
    expect(look('steady', 2, [...begun, start(1)])).toBeNull();
    expect(look('restart-hot', 2, [...begun, start(1)])).toEqual({ code: 'run-it-out' });
    expect(look('restart-hot', 10, [...begun, start(1), stop(9)])).toEqual({ code: 'run-it-out' });
    expect(look('restart-hot', 20, [...begun, start(1), stop(17)])).toBeNull();
  });

  test('the exhaust is clear once it has run; that it smokes is said at any time', () => {
    expect(refusal(begun, 'smoke', { clear: true }, proving)).toEqual({ code: 'run-first' });
    expect(refusal(begun, 'smoke', { clear: false }, proving)).toBeNull();
    expect(refusal([...begun, start(1)], 'smoke', { clear: true }, { ...proving, at: minute(2) })).toBeNull();
  });

  test('five minutes count from the stop; run again they count anew', () => {
    const oil = proofSettingOf({
      folder: folderOf('tiller'),
      known: PROOF_LOOKS,
      needs: ['leak', 'short-run', 'level'],
      complaint: { afterMinutes: null, comesAndGoes: false },
      systems: [],
    });
    const level = (past: number, entries: readonly Said[]) =>
      cardRefusal({
        entries,
        entry: {
          ...entry('proof-look', { look: 'level-again', ok: true, did: undefined }),
          at: minute(past),
          by: 'Ivo',
        },
        ...{ role: 'apprentice', state: 'to-prove', setting: oil, now: minute(past) },
      });
    const ran = [entry('to-proof'), dry, start(1), stop(7)];
    expect(level(11, ran)).toEqual({ code: 'not-before', at: minute(12) });
    expect(level(12, ran)).toBeNull();
    expect(level(14, [...ran, start(12.5), stop(13)])).toEqual({ code: 'not-before', at: minute(18) });
  });

  test('where no run is asked, none is', () => {
    expect(look('steady', 0, begun, { needs: ['leak'] })).toBeNull();
  });

  test('only looks that this proof asks are said', () => {
    expect(look('sockets', 2, [...begun, start(1)])).toEqual({ code: 'no-such-thing', id: 'sockets' });
  });

  test('a load is one of the class, with a figure that can be set', () => {
    const loaded = (facts: object) => refusal(begun, 'proof-load', facts, proving);
    expect(loaded({ load: 'load-bank', figure: { value: 15, unit: 'cm' } })).toEqual({ code: 'no-such-load' });
    const wanted = { code: 'load-figure-wanted', least: 2, most: 60, unit: 'cm' };
    for (const figure of [undefined, { value: 15, unit: 'W' }, { value: 1, unit: 'cm' }, { value: 61, unit: 'cm' }])
      expect([figure, loaded({ load: 'soil', figure })]).toEqual([figure, wanted]);
    expect(loaded({ load: 'soil', figure: { value: 6, unit: 'in' } })).toBeNull();
    expect(loaded({ load: null, figure: undefined })).toBeNull();
  });

  test('what was not right is right again by what was done since, in whichever proof of the visit', () => {
    const leaks = entry('leak-look', { dry: false, did: undefined });
    const saysDry = (did?: string, before: readonly Said[] = [...begun, leaks, entry('to-proof')]) =>
      refusal(before, 'leak-look', { dry: true, did }, proving);
    expect(saysDry()).toEqual({ code: 'done-what' });
    expect(saysDry('New bowl gasket')).toBeNull();
    const rough = after(entry('proof-look', { look: 'steady', ok: false, did: undefined }), 2);
    expect(look('steady', 3, [...begun, start(1), rough])).toEqual({ code: 'done-what' });
    expect(look('neutral', 3, [...begun, start(1), rough])).toBeNull();
  });

  test('a slip is taken back by who made it, within a minute, and then asks nothing', () => {
    const leaks = after(entry('leak-look', { dry: false, did: undefined }), 1, { id: OTHER });
    const back = (past: number, by = 'Ivo', entryId = OTHER) =>
      refusal([...begun, leaks], 'answer-taken-back', { entryId }, { ...proving, at: minute(past), by });
    expect(back(2)).toBeNull();
    for (const [past, by, id] of [
      [2.1, 'Ivo', OTHER],
      [1.5, 'Maren', OTHER],
      [1.5, 'Ivo', 'to-proof'],
      [1.5, 'Ivo', ID],
    ] as const)
      expect([past, by, back(past, by, id)]).toEqual([past, by, { code: 'not-to-take-back' }]);
    const takenBack = after(entry('answer-taken-back', { entryId: OTHER }), 1.5);
    expect(
      refusal([...begun, leaks, takenBack], 'leak-look', { dry: true, did: undefined }, { ...proving, at: minute(2) }),
    ).toBeNull();
  });

  test('a reading is one of the class’s, in a unit that it can be told in', () => {
    const read = (facts: object) => refusal([...begun, start(1)], 'proof-reading', { ...READING, ...facts }, proving);
    expect(read({ reading: 'hertz-0' })).toEqual({ code: 'no-such-thing', id: 'hertz-0' });
    for (const unit of ['bar', 'furlong', '', ' '])
      expect(read({ unit })).toEqual({ code: 'no-such-unit', wants: 'r/min' });
    expect([read({ unit: 'r/min' }), read({ unit: undefined })]).toEqual([null, null]);
  });

  test('what the instruments said by themselves is struck out by a lead alone, with a reason', () => {
    const live = after(entry('proof-reading', { ...READING, live: true }), 2, { id: OTHER });
    const typed = after(entry('proof-reading', { ...READING, live: false }), 2, { id: ID });
    const instead = (of: string, role: Role, why?: string) =>
      refusal(
        [...begun, start(1), live, typed],
        'proof-reading',
        { ...READING, insteadOf: of, why },
        { ...proving, role },
      );
    expect(instead(OTHER, 'technician', 'Clamp was off')).toEqual({ code: 'lead-only', what: 'live-reading' });
    expect(instead(OTHER, 'lead')).toEqual({ code: 'lead-only', what: 'live-reading' });
    expect([instead(OTHER, 'lead', 'Clamp was off'), instead(ID, 'apprentice')]).toEqual([null, null]);
  });
});

describe('what came off', () => {
  const of = (system: string | undefined) => [entry('taken-off', { thingId: ID, what: 'Shield', system })];
  test('of a guard, a cable or fuel stays off by no apprentice’s word; nor what nobody named a system for', () => {
    for (const system of ['guard', 'electric', 'fuel', undefined]) {
      const refused = refusal(of(system), 'struck-off', { thingId: ID }, { role: 'apprentice' });
      expect([system, refused]).toEqual([system, { code: 'signers-only', what: 'stays-off' }]);
      expect(refusal(of(system), 'struck-off', { thingId: ID })).toBeNull();
    }
    expect(refusal(of('none'), 'struck-off', { thingId: ID }, { role: 'apprentice' })).toBeNull();
  });

  test('belongs to what was said: an apprentice says it first, and not otherwise', () => {
    const say = (system: string | undefined, role: Role, before = of('guard')) =>
      refusal(before, 'thing-changed', { thingId: ID, system }, { role });
    expect(say('none', 'apprentice')).toEqual({ code: 'signers-only', what: 'system' });
    expect([say('guard', 'apprentice'), say('none', 'technician'), say('none', 'apprentice', of(undefined))]).toEqual([
      null,
      null,
      null,
    ]);
  });

  test('is asked about before the visit is signed', () => {
    const back = entry('put-back', { thingId: ID });
    const sign = (system: string | undefined) =>
      refusal([...of(system), back], 'proved', { passed: true }, { state: 'to-prove' });
    expect(sign(undefined)).toEqual({ code: 'system-wanted', things: ['Shield'] });
    expect(sign('guard')).toMatchObject({ code: 'not-passed' });
  });
});
