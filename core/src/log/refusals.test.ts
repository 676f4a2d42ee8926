import { folderOf, PROOF_LOOKS } from '../catalogue';
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
const refusal = (before: ReturnType<typeof entry>[], kind: KindId, facts: object = {}) =>
  cardRefusal({ entries: before, entry: entry(kind, facts), state: 'open', setting, now: '2030-03-04T10:00:00Z' });

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
    expect(refusal([off, entry('struck-off', { thingId: ID })], 'put-back', { thingId: ID })).toMatchObject({
      code: 'not-off',
      what: 'Bowl',
    });
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
    const started = entry('clock-started', { clockId: ID });
    expect(refusal([started], 'clock-ended', { clockId: ID })).toBeNull();
    expect(
      refusal([started, entry('clock-ended', { clockId: ID, result: 'dry' })], 'clock-ended', { clockId: ID }),
    ).toEqual({
      code: 'clock-ended',
      result: 'dry',
    });
  });
});
