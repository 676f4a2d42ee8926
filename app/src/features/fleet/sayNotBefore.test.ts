import { sayNotBefore } from './say';

const now = new Date('2030-03-04T09:00:00');
const unit = (verdict: object, workMinutes = 0) => ({ verdict: { because: [], ...verdict } as never, workMinutes });

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
  test.each(['held', 'prep'])('%s: not before its work is done, if it is begun now', (readiness) =>
    expect(sayNotBefore(unit({ readiness }, 90), now)).toMatch(/10:30: 1 h 30 of work on it, if it is begun now\.$/),
  );
  test('laid up, and fit', () =>
    expect([sayNotBefore(unit({ readiness: 'laid-up' }), now), sayNotBefore(unit({ readiness: 'fit' }), now)]).toEqual([
      'A lead can wake it up.',
      '',
    ]));
});
