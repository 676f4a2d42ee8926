import { EVERY_PROOF, PROOFS, folderOf } from '@hudrik/core/catalogue';
import { proofOfEntries } from '@hudrik/core/proof';
import { Refused } from '@/api';
import { isFinal, sayEntry, sayMissing, sayProof, sayRefusal, sayTurns, STATE_WORD } from './say';

const refused = (why: object, code = 'card-refused', status = 409) =>
  new Refused({ type: '', title: 'The card does not stand so any more.', status, code: code as never, facts: { why } });

test.each([
  [0, '0 turn'],
  [1, '¼ turn'],
  [2, '½ turn'],
  [4, '1 turn'],
  [5, '1¼ turns'],
  [11, '2¾ turns'],
])('%d quarters are %s', (quarters, sentence) => expect(sayTurns(quarters)).toBe(sentence));

describe('refusals, as a person would say them', () => {
  test.each([
    [{ code: 'things-off', things: ['A', 'B'] }, 'Still off: A, B. Put back, replace or strike each.'],
    [
      { code: 'things-off', things: ['A', 'B', 'C', 'D', 'E', 'F'] },
      'Still off: A, B, C, D and 2 more. Put back, replace or strike each.',
    ],
    [{ code: 'on-trial', things: ['Gasket'] }, 'Fitted for the trial only: Gasket. Replace before the proof.'],
    [{ code: 'not-off', what: 'Bowl', state: 'back' }, 'Bowl: back already. Somebody was here meanwhile.'],
    [{ code: 'clock-ended', result: 'dry' }, 'That clock has its result already.'],
    [{ code: 'leak-look-first' }, 'Look for leaks first, fuel on, before the first pull.'],
    [{ code: 'smoke-first' }, 'The smoke must clear before the time counts.'],
    [{ code: 'not-in-proof' }, 'The card is not in its proof any more.'],
    [
      { code: 'not-passed', missing: ['minutes', 'look-steady', 'reading-volts-0'] },
      'Not passed yet: minutes under load; steady off the choke, takes throttle; volts, no load.',
    ],
  ])('%j', (why, sentence) => expect(sayRefusal(refused(why))).toBe(sentence));

  test('any other refusal has its own title', () =>
    expect(sayRefusal(refused({}, 'job-closed'))).toContain('The card does not stand so any more.'));

  test('what is refused for good is not sent again; a busy or signed-out server is asked again', () => {
    expect([409, 422, 403, 404].map((status) => isFinal(refused({}, 'card-refused', status)))).toEqual([
      true,
      true,
      true,
      true,
    ]);
    expect([401, 429, 503, 500].map((status) => isFinal(refused({}, 'card-refused', status)))).toEqual([
      false,
      false,
      false,
      false,
    ]);
  });
});

describe('where a proof stands', () => {
  const at = (minute: number): string => new Date(Date.UTC(2030, 0, 1, 9, minute)).toISOString();
  const said = (kind: string, facts: object, minute = 0) => ({ kind, facts, at: at(minute) });
  const say = (entries: ReturnType<typeof said>[], minute = 0) =>
    sayProof(
      proofOfEntries(
        [said('to-proof', {}), ...entries],
        {
          plan: folderOf('tiller').proof,
          everyLooks: EVERY_PROOF,
          complaint: { afterMinutes: null, comesAndGoes: false },
          byLook: false,
        },
        at(minute),
      ),
    );

  test('goes from leaks to load to time to what is left', () => {
    const dry = said('leak-look', { dry: true });
    expect(say([])).toBe('First look for leaks, fuel on, before the first pull.');
    expect(say([said('leak-look', { dry: false })])).toBe('It leaks. Do not start it.');
    expect(say([dry])).toBe('Not run yet: 15 minutes under load are wanted.');
    expect(say([dry, said('smoke', { clear: false })])).toBe('It smokes: let it clear. The time does not count yet.');
    expect(say([dry, said('run-started', {})], 5)).toBe('It runs unloaded. That is no proof.');
    expect(say([dry, said('proof-load', { load: 'soil' }), said('run-started', {})], 5)).toBe(
      '10 of 15 minutes still to run.',
    );
    expect(say([dry, said('proof-load', { load: 'soil' }), said('run-started', {})], 15)).toMatch(
      /^The time is run. Still wanted: smoke clear; /,
    );
  });

  test('every code that can be missing has words', () => {
    for (const plan of PROOFS) {
      const codes = [
        ...plan.readings.map((reading) => `reading-${reading.id}`),
        ...[...plan.looks, ...EVERY_PROOF].map((look) => `look-${look.id}`),
        'leak-look',
        'load',
        'smoke',
        'minutes',
      ];
      for (const code of codes) expect([code, sayMissing(code)]).not.toEqual([code, code]);
    }
  });
});

test('entries and states have words', () => {
  expect(sayEntry({ id: 'x', at: '', by: null, kind: 'put-back', facts: { thingId: 't' } })).toBe('a thing put back');
  expect(sayEntry({ id: 'x', at: '', by: null, kind: 'note', facts: { text: 'Cracked', stepId: null } })).toBe(
    'a note: Cracked',
  );
  expect(new Set(Object.values(STATE_WORD)).size).toBe(8);
});
