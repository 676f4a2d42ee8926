import { folderOf, PROOF_LOOKS } from '../catalogue';
import { proofSettingOf } from '../proof';
import { EMPTY_CARD, OPEN_JOB_STATES, workedMinutes, type VisitState } from '../card';
import { cardOf, cardRefusal, visitStateAfter, type CardKind, type Entry, type Facts } from './index';

let count = 0;
const entry = <K extends CardKind>(kind: K, facts: Facts<K>, at = '2030-03-04T09:00:00Z', by = 'Ivo') => ({
  id: `e${count++}`,
  at,
  by,
  kind,
  facts,
  outcome: {},
});
type AnyEntry = Entry;
const setting = proofSettingOf({
  folder: folderOf('tiller'),
  known: PROOF_LOOKS,
  needs: ['leak', 'load'],
  complaint: { afterMinutes: null, comesAndGoes: false },
  systems: [],
});
const thing = (thingId: string): Facts<'taken-off'> => ({
  thingId,
  what: thingId,
  key: null,
  tray: 'A',
  place: 1,
  fasteners: [],
  orientation: '',
  linkHole: '',
  stack: [],
  quarterTurns: null,
});
const listed = entry('steps-listed', {
  edition: '1',
  from: 'start',
  steps: [
    { stepId: 's1', key: 'a', title: 'Do A' },
    { stepId: 's2', key: 'b', title: 'Do B' },
  ],
});
const refused = (entries: readonly AnyEntry[], fresh: AnyEntry, state: VisitState = 'open') =>
  cardRefusal({ entries, entry: fresh, role: 'technician', state, setting, now: '2030-03-04T10:00:00Z' });

describe('a card from its entries', () => {
  test('steps are ticked, opened again, dropped with a reason', () => {
    const states = (entries: AnyEntry[]) => cardOf([listed, ...entries]).steps.map((step) => step.state);
    expect(states([entry('step-done', { stepId: 's1' })])).toEqual(['done', 'to-do']);
    expect(states([entry('step-done', { stepId: 's1' }), entry('step-undone', { stepId: 's1' })])).toEqual([
      'to-do',
      'to-do',
    ]);
    expect(cardOf([listed, entry('step-dropped', { stepId: 's2', why: 'Not needed' })]).steps[1]).toMatchObject({
      state: 'dropped',
      why: 'Not needed',
      by: 'Ivo',
    });
  });

  test('two who write one step at once: the later stands, the other’s words are kept', () => {
    const one = entry('step-changed', { stepId: 's1', title: 'Do A well', was: 'Do A' });
    const two = entry('step-changed', { stepId: 's1', title: 'Do A twice', was: 'Do A' }, undefined, 'Maren');
    expect(cardOf([listed, one, two]).steps[0]).toMatchObject({
      title: 'Do A twice',
      otherWords: [{ title: 'Do A well' }],
    });
    const seen = entry('step-changed', { stepId: 's1', title: 'Do A twice', was: 'Do A well' });
    expect(cardOf([listed, one, seen]).steps[0]?.otherWords).toEqual([]);
  });

  test('the same steps listed twice stand once; a later edition shows', () => {
    const card = cardOf([
      listed,
      listed,
      entry('steps-listed', { edition: '2', from: 'causes', steps: [{ stepId: 's3', key: 'c', title: 'Do C' }] }),
    ]);
    expect([card.steps.map((step) => step.stepId), card.edition]).toEqual([['s1', 's2', 's3'], '2']);
  });

  test('hands on: finished stretches by person; a second start changes nothing', () => {
    const card = cardOf([
      entry('hands-on', {}, '2030-03-04T09:00:00Z'),
      entry('hands-on', {}, '2030-03-04T09:10:00Z'),
      entry('hands-off', {}, '2030-03-04T09:25:30Z'),
      entry('hands-on', {}, '2030-03-04T09:30:00Z', 'Maren'),
    ]);
    expect([workedMinutes(card), card.working]).toEqual([
      { Ivo: 25 },
      [{ by: 'Maren', since: '2030-03-04T09:30:00Z' }],
    ]);
  });

  test('a clock ends when its minutes are over, whoever looks', () => {
    const [clock] = cardOf([
      entry('clock-started', { clockId: 'c', clock: 'drip-test', minutes: 150, stepId: null }),
    ]).clocks;
    expect([clock?.endsAt, clock?.result]).toEqual(['2030-03-04T11:30:00.000Z', null]);
  });
});

describe('what a card does not take', () => {
  test('to the proof while a thing is off, or on for the trial', () => {
    const off = [entry('taken-off', thing('t1')), entry('taken-off', thing('t2'))];
    expect(refused(off, entry('to-proof', {}))).toEqual({ code: 'things-off', things: ['t2', 't1'] });
    expect(
      refused(
        [...off, entry('put-back', { thingId: 't1' }), entry('replaced', { thingId: 't2', part: 'x', forTrial: true })],
        entry('to-proof', {}),
      ),
    ).toEqual({ code: 'on-trial', things: ['t2'] });
    expect(
      refused(
        [...off, entry('put-back', { thingId: 't1' }), entry('struck-off', { thingId: 't2', why: 'stays' })],
        entry('to-proof', {}),
      ),
    ).toBeNull();
  });

  test('a run or a pass while something came off again in the proof', () => {
    const proof = [
      entry('taken-off', thing('t1')),
      entry('put-back', { thingId: 't1' }),
      entry('to-proof', {}),
      entry('leak-look', { dry: true, note: '' }),
      entry('taken-off-again', { thingId: 't1' }),
    ];
    for (const fresh of [entry('run-started', {}), entry('proved', { passed: true, note: '' })])
      expect(refused(proof, fresh, 'to-prove')).toEqual({ code: 'things-off', things: ['t1'] });
    expect(refused(proof, entry('proved', { passed: false, note: '' }), 'to-prove')).toBeNull();
  });

  test('a thing put back twice, or one that nobody took off', () => {
    const entries = [entry('taken-off', thing('t1')), entry('put-back', { thingId: 't1' })];
    expect(refused(entries, entry('put-back', { thingId: 't1' }))).toMatchObject({ code: 'not-off', state: 'back' });
    expect(refused(entries, entry('taken-off-again', { thingId: 't1' }))).toBeNull();
    expect(refused(entries, entry('struck-off', { thingId: 'nobody', why: 'x' }))).toMatchObject({
      code: 'no-such-thing',
    });
  });

  test('a second result of a clock; a step that is not there; a proof outside the proof', () => {
    const entries = [
      entry('clock-started', { clockId: 'c', clock: 'bath', minutes: 5, stepId: null }),
      entry('clock-ended', { clockId: 'c', result: 'clean', note: '' }),
    ];
    expect(refused(entries, entry('clock-ended', { clockId: 'c', result: 'gummed', note: '' }))).toEqual({
      code: 'clock-ended',
      result: 'clean',
    });
    expect(refused([listed], entry('step-done', { stepId: 'none' }))).toMatchObject({ code: 'no-such-thing' });
    expect(refused([listed], entry('leak-look', { dry: true, note: '' }))).toEqual({ code: 'not-in-proof' });
    const [toProof, dry] = [entry('to-proof', {}), entry('leak-look', { dry: true, note: '' })];
    expect(refused([toProof], entry('run-started', {}), 'to-prove')).toEqual({ code: 'leak-look-first' });
    // What smokes may run: only so does it clear.
    expect(refused([toProof, dry, entry('smoke', { clear: false })], entry('run-started', {}), 'to-prove')).toBeNull();
  });
});

test('states: work opens a waiting card, a wait puts it aside, a proof ends it or sends it back', () => {
  const after = (state: VisitState, kind: CardKind, facts: object = {}) =>
    visitStateAfter(state, { kind, facts }, EMPTY_CARD);
  expect(after('waiting', 'note')).toBe('open');
  expect(after('open', 'paused', { for: 'part' })).toBe('waits-part');
  expect(after('waits-part', 'note')).toBe('waits-part');
  expect(after('waits-part', 'resumed')).toBe('open');
  expect(after('waits-decision', 'decided')).toBe('open');
  expect(after('open', 'to-proof')).toBe('to-prove');
  expect([after('to-prove', 'proved', { passed: true }), after('to-prove', 'proved', { passed: false })]).toEqual([
    'ended',
    'open',
  ]);
  expect(OPEN_JOB_STATES).not.toContain('done');
});
