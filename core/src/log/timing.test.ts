import fc from 'fast-check';
import { lateBecause, momentOf } from './timing';

const ARRIVED = new Date('2030-03-04T12:00:00Z');
const at = (iso: string, offsetMs: number | null | undefined = 0) => momentOf({ at: iso, offsetMs }, ARRIVED);

describe('when an entry happened', () => {
  test('is on arrival where nobody says when', () =>
    expect(momentOf({}, ARRIVED)).toEqual({ at: ARRIVED, timing: 'known' }));
  test('is as the device says, its offset known', () =>
    expect(at('2030-03-04T11:00:00Z')).toEqual({ at: new Date('2030-03-04T11:00:00Z'), timing: 'known' }));
  test('is never later than its arrival', () =>
    expect(at('2030-03-04T12:00:01Z')).toEqual({ at: ARRIVED, timing: 'known' }));
  test.each([
    ['2030-03-01T12:00:00Z', 'known'],
    ['2030-03-01T11:59:59Z', 'too-old'],
  ])('of %s is %s', (said, timing) => expect(at(said).timing).toBe(timing));
  test.each([null, undefined])('is not known of a device whose clock nobody measured (%s)', (offset) => {
    expect(momentOf({ at: '2030-03-04T11:00:00Z', offsetMs: offset }, ARRIVED).timing).toBe('unknown');
  });
  test('of whatever is said, is never after it arrived (property)', () => {
    fc.assert(
      fc.property(fc.date({ noInvalidDate: true }), fc.option(fc.integer()), (said, offsetMs) => {
        const moment = momentOf({ at: said.toISOString(), offsetMs }, ARRIVED);
        expect(moment.at.getTime()).toBeLessThanOrEqual(ARRIVED.getTime());
        expect(moment.at.getTime()).toBeLessThanOrEqual(said.getTime());
      }),
    );
  });
});

describe('a check-in', () => {
  const began = '2030-03-04T09:00:00Z';
  test('stands where nothing lies between', () => {
    expect(lateBecause(began, 'known', [])).toBeNull();
    expect(lateBecause(began, 'known', [{ kind: 'handed-out', at: began }])).toBeNull();
  });
  test('does not where the unit was handed out after it was begun: the last such thing is named', () => {
    expect(
      lateBecause(began, 'known', [
        { kind: 'woken', at: '2030-03-04T10:00:00Z' },
        { kind: 'handed-out', at: '2030-03-04T11:00:00Z' },
        { kind: 'gone', at: '2030-03-01T11:00:00Z' },
      ]),
    ).toEqual({ code: 'turned', by: 'handed-out', at: '2030-03-04T11:00:00Z' });
  });
  test('does not where its time is not known, whatever else', () => {
    expect([lateBecause(began, 'unknown', []), lateBecause(began, 'too-old', [])]).toEqual([
      { code: 'unknown' },
      { code: 'too-old' },
    ]);
  });
});
