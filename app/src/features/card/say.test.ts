import { PROOFS, folderOf, PROOF_LOOKS } from '@hudrik/core/catalogue';
import { proofOfEntries, proofSettingOf } from '@hudrik/core/proof';
import type { Problem } from '@hudrik/core/contracts';
import { entryOf, thingOf } from '@/testing/cardReply';
import { cardOf } from '@hudrik/core/log';
import { sayEntry, sayProof, sayRefusal, sayTurns, VISIT_WORD } from './say';
import { sayMissing } from '@/features/fleet/sayMissing';

const refused = (why: object, code: Problem['code'] = 'card-refused'): Problem => ({
  type: '',
  title: 'This card has changed since you opened it.',
  status: 409,
  code,
  facts: { why },
});

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
    [
      { code: 'things-off', things: ['A', 'B'] },
      'Still off: A, B. Put each back, replace it, or mark it as staying off.',
    ],
    [
      { code: 'things-off', things: ['A', 'B', 'C', 'D', 'E', 'F'] },
      'Still off: A, B, C, D and 2 more. Put each back, replace it, or mark it as staying off.',
    ],
    [{ code: 'on-trial', things: ['Gasket'] }, 'Fitted for the trial only: Gasket. Replace before the proof.'],
    [{ code: 'not-off', what: 'Bowl', state: 'back' }, 'Bowl: back already. Somebody changed it meanwhile.'],
    [{ code: 'clock-ended', result: 'dry' }, 'That clock has its result already.'],
    [{ code: 'leak-look-first' }, 'Look for leaks first, with the fuel on, before you start it.'],
    [{ code: 'clock-runs', clock: 'bath' }, 'A clock still runs. Wait for it, or say how it ended.'],
    [{ code: 'steps-left', steps: ['New jet'] }, 'Not ticked yet: New jet. Tick each, or drop it with a reason.'],
    [{ code: 'run-overlaps', tag: 'GE-02' }, 'You had GE-02 running at that time.'],
    [{ code: 'not-in-proof' }, 'This card is no longer being proven.'],
    [
      { code: 'not-passed', missing: ['minutes', 'look-steady', 'reading-volts-0'] },
      'Not passed yet: minutes under load; steady off the choke, takes throttle; volts, no load.',
    ],
  ])('%j', (why, sentence) => expect(sayRefusal(refused(why))).toBe(sentence));

  test('any other refusal has its own title', () =>
    expect(sayRefusal(refused({}, 'job-closed'))).toContain('This card has changed since you opened it.'));
});

describe('where a proof stands', () => {
  const at = (minute: number): string => new Date(Date.UTC(2030, 0, 1, 9, minute)).toISOString();
  const said = (kind: string, facts: object, minute = 0) => ({ kind, facts, at: at(minute) });
  const say = (entries: ReturnType<typeof said>[], minute = 0) =>
    sayProof(
      proofOfEntries(
        [said('to-proof', {}), ...entries],
        proofSettingOf({
          folder: folderOf('tiller'),
          known: PROOF_LOOKS,
          needs: ['leak', 'load'],
          complaint: { afterMinutes: null, comesAndGoes: false },
          systems: [],
        }),
        at(minute),
      ),
    );

  test('goes from leaks to load to time to what is left', () => {
    const dry = said('leak-look', { dry: true });
    expect(say([])).toBe('First look for leaks, with the fuel on, before you start it.');
    expect(say([said('leak-look', { dry: false })])).toBe('It leaks. Do not start it.');
    expect(say([dry])).toBe('Not run yet: 15 minutes under load are needed.');
    expect(say([dry, said('smoke', { clear: false })])).toBe(
      'It smokes: let it clear. The time does not count meanwhile.',
    );
    expect(say([dry, said('run-started', {})], 5)).toBe('It runs without load. That does not count.');
    expect(say([dry, said('proof-load', { load: 'soil' }), said('run-started', {})], 5)).toBe(
      '10 of 15 minutes still to run.',
    );
    expect(say([dry, said('proof-load', { load: 'soil' }), said('run-started', {})], 15)).toMatch(
      /^The time is complete. Still needed: smoke clear; /,
    );
  });

  test('every code that can be missing has words', () => {
    for (const plan of PROOFS) {
      const codes = [
        ...plan.readings.map((reading) => `reading-${reading.id}`),
        ...[...plan.looks, ...PROOF_LOOKS.everyRun].map((look) => `look-${look.id}`),
        'leak-look',
        'load',
        'smoke',
        'minutes',
      ];
      for (const code of codes) expect([code, sayMissing(code)]).not.toEqual([code, code]);
    }
  });
});

test('an entry says what it is, by the names on its card', () => {
  const card = cardOf([entryOf('taken-off', thingOf('t', 'Bowl', 1))]);
  expect(sayEntry(entryOf('put-back', { thingId: 't' }), card)).toBe('Back on: Bowl');
  expect(sayEntry(entryOf('put-back', { thingId: 't' }), null)).toBe('Back on: a thing');
  expect(new Set(Object.values(VISIT_WORD)).size).toBe(8);
});
