import { writeAs } from '@/writing/writing';
import { benchVisit, sampleBench } from './bench.samples';
import { inShifts, joined, laneTimeOf } from './laneTime';
import { sayAdvice, sayBench, sayChange, sayClock, sayFromTo, sayLong, saySure, sayWhy } from './sayBench';

beforeAll(() => {
  jest.useFakeTimers({ now: new Date('2030-05-06T07:30:00Z') });
  writeAs({ currency: 'USD', locale: 'en-US', timeZone: 'UTC' });
});
afterAll(() => jest.useRealTimers());

const hire = { reference: 'B-1', fromAt: '2030-05-07T08:00:00Z', isOwn: true };
const late = (minutes: number) => {
  const bench = sampleBench({ visits: [benchVisit('1', 'GE-07', { hire, instead: 'GE-01' })] });
  const visits = [{ id: '1', who: '2', from: 0, to: 170, lateMinutes: minutes, cents: 0 }];
  return { ...bench, plan: { ...bench.plan, visits } };
};

describe('the bench in words', () => {
  test('a sentence of all of it', () => {
    expect(sayBench(sampleBench())).toBe('2 units, 1 h 40 of work.');
    expect(sayBench(sampleBench({ visits: [] }))).toBe('The bench is clear.');
    expect(sayBench(late(0))).toBe('1 unit, 50 min of work. Every hire is met.');
    expect(sayBench(late(30))).toBe('1 unit, 50 min of work. 1 will miss its hire.');
  });

  test.each([
    [{ hire }, 'Goes out tomorrow 08:00: 8 in 10 that it is in time.'],
    [{}, 'Nobody waits for it.'],
    [{ readiness: 'fit' }, 'Fit as it is; its service waits.'],
    [{ hire, inHandBy: '2' }, 'In hand with Ivo Tarnwell. Goes out tomorrow 08:00: 8 in 10 that it is in time.'],
    [{ pinnedAt: '2030-05-06T09:00:00Z' }, 'Put there by hand. Nobody waits for it.'],
    [{ hire, part: { name: 'Main jet', at: null } }, /Main jet is not ordered\.$/],
    [{ part: { name: 'Main jet', at: '2030-05-08T09:00:00Z' } }, /^Main jet comes Wed 8 May 09:00/],
  ] as const)('why a visit has its place: %j', (more, says) => {
    const visit = benchVisit('1', 'GE-07', more);
    expect(sayWhy(sampleBench({ visits: [visit] }), visit)).toEqual(
      typeof says === 'string' ? says : expect.stringMatching(says),
    );
  });

  test('one that is late says by how much', () => {
    const bench = late(125);
    expect(sayWhy(bench, bench.visits[0] ?? benchVisit('1', ''))).toBe('Goes out tomorrow 08:00: 2 h late.');
  });

  test.each([
    [1, 'in time for sure'],
    [0.84, '8 in 10 that it is in time'],
    [0.01, 'hardly in time'],
    [null, 'in time'],
  ])('sure by %s', (inTime, says) => {
    expect(saySure(sampleBench({ promises: [{ id: '1', inTime, eightInTen: 0 }] }), '1')).toBe(says);
  });

  test.each([
    [2, '5 min'],
    [83, '1 h 25'],
    [121, '2 h'],
    [2900, '2 days'],
  ])('%s minutes are %s', (minutes, says) => expect(sayLong(minutes)).toBe(says));

  test('advice', () => {
    const bench = late(125);
    const miss = { code: 'will-miss', id: '1', byMinutes: 125 } as const;
    expect(sayAdvice(bench, { ...miss, whateverTheOrder: true })).toBe(
      'GE-07 will miss tomorrow 08:00 by 2 h whatever the order. GE-01 is fit and free.',
    );
    expect(sayAdvice(bench, { ...miss, whateverTheOrder: false })).toMatch(/by 2 h, for what goes before it\./);
    const pinned = { ...bench, visits: bench.visits.map((visit) => ({ ...visit, pinnedAt: '2030-05-06T09:00:00Z' })) };
    expect(sayAdvice(pinned, { ...miss, whateverTheOrder: false })).toMatch(/where it was put by hand\./);
    const two = sampleBench();
    expect(sayAdvice(two, { code: 'overnight', id: '1', phaseId: 'w', at: 480 })).toBe(
      'Start GE-07’s drip test today 15:30: it runs through the night.',
    );
    expect(sayAdvice(two, { code: 'meanwhile', id: '1', phaseId: 'w', others: ['2'] })).toBe(
      'PW-12: while GE-07 waits (drip test).',
    );
    expect(sayAdvice(two, { code: 'too-much', minutes: 320, ids: ['1', '2'] })).toBe(
      '5 h 20 more than four weeks hold: GE-07 and PW-12 find no place.',
    );
    expect(sayAdvice(two, { code: 'nobody', ids: ['2'] })).toBe('Nobody here may do PW-12.');
  });

  test('changes', () => {
    const at = Date.parse('2030-05-07T08:00:00Z');
    const all = [
      [{ code: 'new' }, 'PW-12 came to the bench.'],
      [{ code: 'done' }, 'PW-12 is off the bench.'],
      [{ code: 'wanted', from: null, to: at }, 'PW-12 is wanted tomorrow 08:00.'],
      [{ code: 'wanted', from: at, to: at + 3_600_000 }, 'PW-12 is wanted tomorrow 09:00, not tomorrow 08:00.'],
      [{ code: 'wanted', from: at, to: null }, 'PW-12: nobody waits for it any more.'],
      [{ code: 'later-there', to: at }, 'PW-12 cannot be begun before tomorrow 08:00.'],
      [{ code: 'sooner-there', to: at }, 'PW-12 can be begun sooner.'],
      [{ code: 'other-hands', who: '1' }, 'PW-12 goes to Runa Veldt.'],
      [{ code: 'given-back' }, 'PW-12 is free again for whoever comes first.'],
      [{ code: 'moved', from: at, to: at + 3_600_000 }, 'PW-12 moves from tomorrow 08:00 to tomorrow 09:00.'],
    ] as const;
    for (const [change, says] of all)
      expect(sayChange(sampleBench(), { ...change, id: '2', tag: 'PW-12' } as never)).toBe(says);
  });

  test('times', () => {
    expect(sayClock(sampleBench(), 32)).toBe('08:00');
    expect(sayClock(sampleBench(), 1440)).toBe('Tue 07:30');
    expect(sayFromTo(sampleBench(), 0, 170)).toBe('today 07:30 to 10:20');
    expect(sayFromTo(sampleBench(), 0, 1440)).toBe('today 07:30 to tomorrow 07:30');
  });
});

describe('time as it is drawn', () => {
  const time = laneTimeOf(sampleBench());

  test('working days side by side, the night folded away', () => {
    expect(time.days.map(({ title }) => title)).toEqual(['Mon 6 May', 'Tue 7 May']);
    expect(time.days[1]?.left).toBeGreaterThan(time.xOf(570));
    expect(time.xOf(1410) - time.xOf(570)).toBeLessThan(30);
  });

  test('a place is a minute, and back', () => {
    for (const minute of [0, 100, 540, 1440, 1700]) expect(time.minuteAt(time.xOf(minute))).toBeCloseTo(minute, 6);
    expect(time.minuteAt(time.xOf(1000))).toBeLessThanOrEqual(570);
    expect(time.minuteAt(-50)).toBe(0);
  });

  test('nobody works: one empty day', () => {
    const none = laneTimeOf({ at: '2030-05-06T07:30:00Z', asked: { technicians: [] } });
    expect(none.days).toHaveLength(1);
  });

  test('work stops over a break; what follows at once is one bar', () => {
    const shifts = [
      [0, 270],
      [300, 540],
    ] as const;
    expect(inShifts(shifts, [250, 320])).toEqual([
      [250, 270],
      [300, 320],
    ]);
    expect(
      joined([
        [30, 60],
        [0, 30],
        [90, 100],
      ]),
    ).toEqual([
      [0, 60],
      [90, 100],
    ]);
  });
});
