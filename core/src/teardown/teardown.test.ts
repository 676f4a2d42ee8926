import fc from 'fast-check';
import { TEARDOWN_IDS, TEARDOWNS } from '../catalogue';
import { cardOf } from '../log';
import { learntOrder, nextPlace, type Ledger } from './index';

interface LedgerEntry {
  readonly kind: string;
  readonly facts: object;
}

/** The ledger that a card's entries come to. */
const ledgerOf = (entries: readonly LedgerEntry[]): Ledger =>
  cardOf(entries.map((entry, n) => ({ ...entry, id: String(n), at: '2030-03-04T09:00:00Z', by: null, outcome: {} })))
    .ledger;

const off = (thingId: string, place = 1): LedgerEntry => ({
  kind: 'taken-off',
  facts: {
    thingId,
    what: thingId.toUpperCase(),
    key: null,
    tray: 'A',
    place,
    fasteners: [],
    orientation: '',
    linkHole: '',
    stack: [],
    quarterTurns: null,
  },
});
const back = (thingId: string): LedgerEntry => ({ kind: 'put-back', facts: { thingId } });
const again = (thingId: string): LedgerEntry => ({ kind: 'taken-off-again', facts: { thingId } });
const struck = (thingId: string): LedgerEntry => ({ kind: 'struck-off', facts: { thingId, why: 'would snap' } });
const replaced = (thingId: string, forTrial = false): LedgerEntry => ({
  kind: 'replaced',
  facts: { thingId, part: 'TV-1', forTrial },
});
const ids = (things: readonly { thingId: string }[]): string[] => things.map((thing) => thing.thingId);

describe('the ledger (common practice: it goes back in reverse, a part left over is a fault)', () => {
  test('its worked example: off A, B, C, B struck gives C, A to put back', () => {
    expect(ids(ledgerOf([off('a'), off('b'), off('c'), struck('b')]).putBack)).toEqual(['c', 'a']);
  });

  test('what came off again goes back first', () => {
    expect(ids(ledgerOf([off('a'), off('b'), back('a'), again('a')]).putBack)).toEqual(['a', 'b']);
  });

  test('for the trial only is not complete; replaced for good is', () => {
    const trial = ledgerOf([off('a'), replaced('a', true)]);
    expect([trial.complete, ids(trial.onTrial), ids(trial.putBack)]).toEqual([false, ['a'], []]);
    expect(ledgerOf([off('a'), replaced('a', true), replaced('a')]).complete).toBe(true);
  });

  test('the same thing taken off twice is one; what is not there is passed over', () => {
    const ledger = ledgerOf([off('a'), off('a'), back('nobody'), struck('nobody')]);
    expect([ledger.things.length, ids(ledger.putBack)]).toEqual([1, ['a']]);
  });

  test('a photo keeps the marks drawn last', () => {
    const mark = { kind: 'number', at: [0.5, 0.5], number: 1 } as const;
    const [thing] = ledgerOf([
      off('a'),
      { kind: 'photo', facts: { photoId: 'p', marks: [], thingId: 'a', stepId: null } },
      { kind: 'photo-marked', facts: { photoId: 'p', marks: [mark] } },
    ]).things;
    expect(thing?.photos).toEqual([{ photoId: 'p', marks: [mark] }]);
  });

  const actions = fc.array(
    fc.tuple(fc.constantFrom('off', 'back', 'again', 'struck', 'replaced', 'trial'), fc.integer({ min: 0, max: 7 })),
    { maxLength: 60 },
  );
  const entryOf = ([action, at]: [string, number]): LedgerEntry => {
    const id = `t${at}`;
    return action === 'off'
      ? off(id)
      : action === 'back'
        ? back(id)
        : action === 'again'
          ? again(id)
          : action === 'struck'
            ? struck(id)
            : replaced(id, action === 'trial');
  };

  test('for any sequence: each thing stands in one place, and walking the reverse order leaves nothing over', () => {
    fc.assert(
      fc.property(actions, (sequence) => {
        const entries = sequence.map(entryOf);
        const ledger = ledgerOf(entries);
        const taken = new Set(sequence.filter(([action]) => action === 'off').map(([, at]) => `t${at}`));
        expect(new Set(ids(ledger.things))).toEqual(taken);
        expect(ledger.things.filter((thing) => thing.state === 'off')).toHaveLength(ledger.putBack.length);
        const turns = ledger.putBack.map((thing) => thing.turn);
        expect(turns).toEqual([...turns].sort((a, b) => b - a));
        const walked = ledgerOf([
          ...entries,
          ...ids(ledger.putBack).map(back),
          ...ids(ledger.onTrial).map((id) => replaced(id)),
        ]);
        expect([walked.complete, walked.putBack, walked.onTrial]).toEqual([true, [], []]);
      }),
    );
  });
});

test('the next free hole of a tray; what is back gives its hole free', () => {
  expect(nextPlace([], 'A')).toBe(1);
  expect(nextPlace(ledgerOf([off('a', 1), off('b', 2)]).things, 'A')).toBe(3);
  expect(nextPlace(ledgerOf([off('a', 1), off('b', 2), back('a')]).things, 'A')).toBe(1);
  expect(nextPlace(ledgerOf([off('a', 1)]).things, 'B')).toBe(1);
});

describe('the order that a finished card teaches', () => {
  const usual = [
    { key: 'a', what: 'A' },
    { key: 'b', what: 'B' },
    { key: 'c', what: 'C' },
  ];
  const keyed = (key: string | null, what: string): LedgerEntry => ({
    kind: 'taken-off',
    facts: {
      thingId: `${key}${what}`,
      what,
      key,
      tray: 'A',
      place: 1,
      fasteners: [{ count: 3, size: 'M6', place: '' }],
      orientation: '',
      linkHole: '',
      stack: [],
      quarterTurns: null,
    },
  });

  test('its worked example: usual A, B, C and off B, A, X give B, A, X, C', () => {
    const learnt = learntOrder(usual, ledgerOf([keyed('b', 'B'), keyed('a', 'A'), keyed(null, 'X')]));
    expect(learnt.map((thing) => thing.key)).toEqual(['b', 'a', 'x', 'c']);
    expect(learnt[0]?.fasteners).toEqual([{ count: 3, size: 'M6', place: '' }]);
  });

  test('learning twice from the same card changes nothing', () => {
    for (const id of TEARDOWN_IDS) {
      const { things } = TEARDOWNS[id];
      const ledger = ledgerOf(
        things
          .slice(0, 4)
          .reverse()
          .map((thing) => keyed(thing.key, thing.what)),
      );
      const once = learntOrder(things, ledger);
      expect(learntOrder(once, ledger)).toEqual(once);
      expect(new Set(once.map((thing) => thing.key)).size).toBe(things.length);
    }
  });
});
