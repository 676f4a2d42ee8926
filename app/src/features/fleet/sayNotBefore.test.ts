import { sayNotBefore } from './say';

const now = new Date('2030-03-04T09:00:00');
const unit = (verdict: object, workMinutes = 0, defects: object[] = []) => ({
  ...{ verdict: { because: [], ...verdict } as never, workMinutes, defects: defects as never },
});

describe('when a unit can be had at the earliest', () => {
  test('out: not before it is due, and then it must be looked at', () =>
    expect(sayNotBefore(unit({ readiness: 'out', dueAt: '2999-03-06T17:00:00Z' }), now)).toMatch(
      /^Not before .*, and then it must be checked in\.$/,
    ));
  test('overdue: nobody knows but the hirer', () =>
    expect(sayNotBefore(unit({ readiness: 'out', dueAt: '2020-03-06T17:00:00Z' }), now)).toBe(
      'Overdue: ask the hirer.',
    ));
  test('back and not looked at', () =>
    expect(sayNotBefore(unit({ readiness: 'held', notLookedAtSince: '2030-03-04T08:00:00Z' }), now)).toBe(
      'Not before it is checked in.',
    ));
  test('woken, or new: not before its check-in either', () =>
    expect(
      sayNotBefore(unit({ readiness: 'held' }, 30, [{ origin: { kind: 'unit', id: 'not-looked-at' } }]), now),
    ).toBe('Not before it is checked in.'));
  test('no work is on it: that is said, and not that it takes no time', () =>
    expect(sayNotBefore(unit({ readiness: 'held' }), now)).toBe('Nobody has said yet what work it needs.'));
  test.each(['held', 'prep'])('%s: not before its work is done, if it is begun now', (readiness) =>
    expect(sayNotBefore(unit({ readiness }, 90), now)).toMatch(/10:30: 1 h 30 of work on it, if it is begun now\.$/),
  );
  test('laid up, and fit', () =>
    expect([
      sayNotBefore(unit({ readiness: 'laid-up' }, 25), now),
      sayNotBefore(unit({ readiness: 'fit' }), now),
    ]).toEqual(['Called for now: about 25 min of work to wake it, and then it must be checked in.', '']));
});
