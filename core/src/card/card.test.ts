import { EVERY_PROOF, folderOf } from '../catalogue';
import {
  cardOf,
  refusalOf,
  STANDING_STATES,
  stateAfter,
  stepsFor,
  type CardEntry,
  type CardFacts,
  type CardKind,
  type JobState,
} from './index';

let count = 0;
const entry = <K extends CardKind>(kind: K, facts: CardFacts[K], at = '2030-03-04T09:00:00Z', by = 'Ivo'): CardEntry =>
  ({ id: `e${count++}`, at, by, kind, facts }) as CardEntry;
const setting = {
  plan: folderOf('tiller').proof,
  everyLooks: EVERY_PROOF,
  complaint: { afterMinutes: null, comesAndGoes: false },
  byLook: false,
};
const thing = (thingId: string): CardFacts['taken-off'] => ({
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
const laid = entry('steps-laid', {
  edition: '1',
  from: 'start',
  steps: [
    { stepId: 's1', key: 'a', title: 'Do A' },
    { stepId: 's2', key: 'b', title: 'Do B' },
  ],
});
const refused = (entries: readonly CardEntry[], fresh: CardEntry, state: JobState = 'open') =>
  refusalOf(entries, fresh, state, setting, '2030-03-04T10:00:00Z');

describe('a card from its entries', () => {
  test('steps are ticked, opened again, dropped with a reason', () => {
    const states = (entries: CardEntry[]) => cardOf([laid, ...entries]).steps.map((step) => step.state);
    expect(states([entry('step-done', { stepId: 's1' })])).toEqual(['done', 'to-do']);
    expect(states([entry('step-done', { stepId: 's1' }), entry('step-undone', { stepId: 's1' })])).toEqual([
      'to-do',
      'to-do',
    ]);
    expect(cardOf([laid, entry('step-dropped', { stepId: 's2', why: 'Not needed' })]).steps[1]).toMatchObject({
      state: 'dropped',
      why: 'Not needed',
      by: 'Ivo',
    });
  });

  test('two who write one step at once: the later stands, the other’s words are kept', () => {
    const one = entry('step-changed', { stepId: 's1', title: 'Do A well', was: 'Do A' });
    const two = entry('step-changed', { stepId: 's1', title: 'Do A twice', was: 'Do A' }, undefined, 'Maren');
    expect(cardOf([laid, one, two]).steps[0]).toMatchObject({
      title: 'Do A twice',
      otherWords: [{ title: 'Do A well' }],
    });
    const seen = entry('step-changed', { stepId: 's1', title: 'Do A twice', was: 'Do A well' });
    expect(cardOf([laid, one, seen]).steps[0]?.otherWords).toEqual([]);
  });

  test('the same steps laid twice stand once; a later edition shows', () => {
    const card = cardOf([
      laid,
      laid,
      entry('steps-laid', { edition: '2', from: 'causes', steps: [{ stepId: 's3', key: 'c', title: 'Do C' }] }),
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
    expect(card.handsOn).toEqual({ minutes: { Ivo: 25 }, running: [{ by: 'Maren', since: '2030-03-04T09:30:00Z' }] });
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
        [...off, entry('put-back', { thingId: 't1' }), entry('struck', { thingId: 't2', why: 'stays' })],
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
      entry('off-again', { thingId: 't1' }),
    ];
    for (const fresh of [entry('run-started', {}), entry('proved', { passed: true, note: '' })])
      expect(refused(proof, fresh, 'to-prove')).toEqual({ code: 'things-off', things: ['t1'] });
    expect(refused(proof, entry('proved', { passed: false, note: '' }), 'to-prove')).toBeNull();
  });

  test('a thing put back twice, or one that nobody took off', () => {
    const entries = [entry('taken-off', thing('t1')), entry('put-back', { thingId: 't1' })];
    expect(refused(entries, entry('put-back', { thingId: 't1' }))).toMatchObject({ code: 'not-off', state: 'back' });
    expect(refused(entries, entry('off-again', { thingId: 't1' }))).toBeNull();
    expect(refused(entries, entry('struck', { thingId: 'nobody', why: 'x' }))).toMatchObject({ code: 'no-such-thing' });
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
    expect(refused([laid], entry('step-done', { stepId: 'none' }))).toMatchObject({ code: 'no-such-thing' });
    expect(refused([laid], entry('leak-look', { dry: true, note: '' }))).toEqual({ code: 'not-in-proof' });
    expect(
      refused(
        [entry('to-proof', {}), entry('leak-look', { dry: true, note: '' }), entry('smoke', { clear: false })],
        entry('run-started', {}),
        'to-prove',
      ),
    ).toEqual({ code: 'smoke-first' });
  });
});

test('states: work opens a waiting card, a wait puts it aside, a proof ends it or sends it back', () => {
  const after = (state: JobState, kind: CardKind, facts: object = {}) => stateAfter(state, { kind, facts } as never);
  expect(after('waiting', 'note')).toBe('open');
  expect(after('open', 'waits', { for: 'part' })).toBe('waits-part');
  expect(after('waits-part', 'note')).toBe('waits-part');
  expect(after('waits-part', 'goes-on')).toBe('open');
  expect(after('waits-decision', 'decided')).toBe('open');
  expect(after('open', 'to-proof')).toBe('to-prove');
  expect([after('to-prove', 'proved', { passed: true }), after('to-prove', 'proved', { passed: false })]).toEqual([
    'done',
    'open',
  ]);
  expect(STANDING_STATES).not.toContain('done');
});

test('its worked example: two causes behind the bowl take it off once, readings stand before and after', () => {
  const cause = (id: string) => ({
    id,
    repairTitle: `Mend ${id}`,
    caution: undefined,
    setUps: [{ id: 'bowl-off', words: 'Bowl off', teardown: 'carburettor-off' as const }],
    reading: 'compression' as const,
    clock: 'drip-test' as const,
  });
  const steps = stepsFor({
    kind: [{ key: 'safe', title: 'Make it safe' }],
    work: null,
    causes: [cause('x'), cause('y')],
  });
  expect(steps.map((step) => step.key)).toEqual([
    'safe',
    'off-bowl-off',
    'before-compression',
    'repair-x',
    'clock-drip-test',
    'repair-y',
    'after-compression',
  ]);
});
