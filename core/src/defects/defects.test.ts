import { defectsOf, heavier, inOrderOfWeight, sayCloser } from './index';
import type { Verdict } from '../verdict';

const origin = { kind: 'check', id: 'gun', exception: 'lock' } as const;
const verdict = (more: Partial<Verdict>): Verdict => ({
  result: 'held',
  edition: 'e',
  reasons: [],
  jobs: [],
  bill: [],
  shows: [],
  ...more,
});
const reason = (consequence: Verdict['reasons'][number]['consequence'], more: object = {}) => ({
  origin,
  consequence,
  sentence: 'The lock does not hold.',
  ...more,
});
const job = {
  kind: 'repair',
  work: 'new-gun',
  title: 'New gun',
  minutes: 10,
  blocks: 'hold',
  origins: [origin],
} as const;

describe('what a return found wrong', () => {
  test('what holds, and what is to be put right first, with its work, its caution and whether it can hurt', () => {
    expect(
      defectsOf(verdict({ reasons: [reason('hold', { safety: true, caution: 'moving-parts' })], jobs: [job] })),
    ).toEqual([
      {
        origin,
        sentence: 'The lock does not hold.',
        weight: 'hold',
        safety: true,
        caution: 'moving-parts',
        work: 'new-gun',
      },
    ]);
    expect(defectsOf(verdict({ reasons: [reason('fix-before-hire')] }))).toEqual([
      { origin, sentence: 'The lock does not hold.', weight: 'prep', safety: false, caution: null, work: null },
    ]);
  });

  test('a note is none; a bill only where there is work to it', () => {
    expect(defectsOf(verdict({ reasons: [reason('note'), reason('bill')] }))).toEqual([]);
    expect(defectsOf(verdict({ reasons: [reason('bill')], jobs: [job] })).map((defect) => defect.weight)).toEqual([
      'prep',
    ]);
    // The work of another exception of the same check is not its own.
    const other = { ...job, origins: [{ ...origin, exception: 'does-not-shut' }] };
    expect(defectsOf(verdict({ reasons: [reason('bill')], jobs: [other] }))).toEqual([]);
    expect(defectsOf(verdict({ reasons: [reason('hold')], jobs: [other] }))[0]?.work).toBeNull();
  });

  test('weight only rises', () => {
    expect([heavier('prep', 'hold'), heavier('hold', 'prep'), heavier('prep', 'prep')]).toEqual([
      'hold',
      'hold',
      'prep',
    ]);
  });

  test('worst first, safety before the rest, older before newer', () => {
    const at = (weight: 'hold' | 'prep', safety: boolean, foundAt: string) => ({ weight, safety, foundAt });
    const [a, b, c, d, e] = [
      at('prep', false, '2'),
      at('prep', true, '9'),
      at('hold', false, '1'),
      at('hold', true, '5'),
      at('hold', true, '4'),
    ];
    expect(inOrderOfWeight([a, b, c, d, e])).toEqual([e, d, c, b, a]);
  });

  test('each says what closes it', () => {
    expect(sayCloser({ kind: 'check', id: 'gun', exception: 'could-not-look' })).toMatch(/looked/);
    expect(sayCloser(origin)).toMatch(/look is in order/);
    expect(sayCloser({ kind: 'told', id: 'could-not-look' })).toMatch(/cause/);
    expect(sayCloser({ kind: 'kit', id: 'key' })).toMatch(/counted/);
  });
});
