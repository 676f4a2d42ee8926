import fc from 'fast-check';
import jstat from 'jstat';
import { seeded } from '../diagnosis';
import { adviceOf, durationOf, normalOf, planBench, promisesOf, soonestDone, tryMove } from './index';
import { drawRun } from './promises';
import { WorkTime } from './WorkTime';

import { hands, wait, visit, ada, bench, plan, orderOf } from './planning.samples';

describe('working time', () => {
  const time = new WorkTime([
    [0, 60],
    [100, 200],
  ]);

  test('work goes on over a break and takes no minute of it', () => {
    expect(time.end(time.worked(40) + 30)).toBe(110);
  });

  test.each([
    ['in a shift', 30, 30],
    ['at its end', 60, 60],
    ['in the break', 80, 60],
    ['in the next', 150, 110],
  ])('minutes worked %s', (_, at, worked) => expect(time.worked(at)).toBe(worked));

  test('what begins after a whole shift begins in the next; what ends with a shift ends there', () => {
    expect(time.begin(60)).toBe(100);
    expect(time.end(60)).toBe(60);
  });

  test('shifts that overlap are a mistake', () => {
    expect(
      () =>
        new WorkTime([
          [0, 60],
          [50, 90],
        ]),
    ).toThrow('shift 50');
    expect(() => new WorkTime([[10, 10]])).toThrow('shift 10');
  });
});

describe('one technician, no waits', () => {
  const minutes = fc.array(
    fc.record({
      minutes: fc.integer({ min: 5, max: 90 }),
      weight: fc.integer({ min: 1, max: 9 }),
      due: fc.integer({ min: 20, max: 300 }),
    }),
    { minLength: 2, maxLength: 6 },
  );

  // Smith, Naval Research Logistics Quarterly 3, 1956: the order of minutes by weight is best for weighted completion.
  test('weighted completion is that of the shortest weighted work first (Smith 1956)', () => {
    fc.assert(
      fc.property(minutes, (works) => {
        const asked = bench(
          works.map(({ minutes: each, weight }, at) =>
            visit(`v${at}`, [hands(each)], { centsPerMinuteWaiting: weight }),
          ),
        );
        const best = [...works].sort((a, b) => a.minutes / a.weight - b.minutes / b.weight);
        let done = 0;
        const wanted = best.reduce((cents, one) => cents + (done += one.minutes) * one.weight, 0);
        expect(plan(asked, 100).cents).toBeCloseTo(wanted, 6);
      }),
      { numRuns: 10 },
    );
  });

  // Jackson, Management Science Research Project report 43, 1955: the order of due times is best for the largest lateness: where it is 0, nothing is late.
  test('nothing is late where the earliest due first is not (Jackson 1955)', () => {
    fc.assert(
      fc.property(minutes, (works) => {
        let done = 0;
        const inTime = [...works].sort((a, b) => a.due - b.due).every((one) => (done += one.minutes) <= one.due);
        const asked = bench(
          works.map(({ minutes: each, due }, at) =>
            visit(`v${at}`, [hands(each)], { dueAt: due, centsPerMinuteLate: 100, centsPerMinuteWaiting: 0 }),
          ),
        );
        expect(plan(asked, 100).visits.every(({ lateMinutes }) => lateMinutes === 0)).toBe(inTime);
      }),
      { numRuns: 12 },
    );
  });
});

describe('what runs by itself', () => {
  test('while one soaks the other is done', () => {
    const asked = bench([visit('soaks', [hands(10, 'a'), wait(30), hands(10, 'b')]), visit('other', [hands(30)])]);
    const found = plan(asked);
    expect(Math.max(...found.visits.map(({ to }) => to))).toBe(50);
    expect(adviceOf(asked, found)).toEqual([{ code: 'meanwhile', id: 'soaks', phaseId: 'wait', others: ['other'] }]);
  });

  test('a soak is begun at the end of the day and runs through the night', () => {
    const asked = bench(
      [
        visit('soaks', [hands(20, 'a'), wait(480), hands(20, 'b')], { dueAt: 1020 + 60, centsPerMinuteLate: 50 }),
        visit('other', [hands(400)], { dueAt: 480, centsPerMinuteLate: 100 }),
      ],
      {
        technicians: [
          ada({
            shifts: [
              [0, 480],
              [1020, 1500],
            ],
          }),
        ],
      },
    );
    const found = plan(asked);
    expect(found.visits.every(({ lateMinutes }) => lateMinutes === 0)).toBe(true);
    expect(adviceOf(asked, found)).toContainEqual(expect.objectContaining({ code: 'overnight', id: 'soaks' }));
  });

  test('a lunch break is no night', () => {
    const asked = bench([visit('soaks', [hands(20, 'a'), wait(40), hands(20, 'b')])], {
      technicians: [
        ada({
          shifts: [
            [0, 20],
            [60, 300],
          ],
        }),
      ],
    });
    expect(adviceOf(asked, plan(asked))).toEqual([]);
  });

  test('a visit that only waits is planned without anybody', () => {
    const found = plan(bench([visit('drips', [wait(45)], { who: [] })]));
    expect(found.visits[0]).toMatchObject({ who: null, from: 0, to: 45 });
    expect(found.phases).toEqual([{ visitId: 'drips', phaseId: 'wait', who: null, from: 0, to: 45 }]);
  });
});

describe('what binds a plan', () => {
  test('what is in hand goes on first, however little it weighs', () => {
    const asked = bench([
      visit('quick', [hands(5)], { centsPerMinuteWaiting: 90 }),
      visit('begun', [hands(90)], { inHand: true }),
    ]);
    expect(orderOf(asked)).toEqual(['begun', 'quick']);
  });

  test('what is pinned begins then; work that would run into it comes after', () => {
    const asked = bench([
      visit('pinned', [hands(30)], { pinnedAt: 40 }),
      visit('long', [hands(50)], { centsPerMinuteWaiting: 90 }),
      visit('short', [hands(35)]),
    ]);
    const found = plan(asked);
    expect(found.visits.find(({ id }) => id === 'pinned')?.from).toBe(40);
    expect(found.visits.find(({ id }) => id === 'short')?.to).toBe(35);
  });

  test('a unit that goes out is done before, or after it is back', () => {
    const away = [[30, 500]] as const;
    const asked = bench([
      visit('goes-out', [hands(20, 'a'), wait(20), hands(20, 'b')], { away, centsPerMinuteWaiting: 90 }),
      visit('fits', [hands(25)], { away }),
    ]);
    const found = plan(asked);
    expect(found.visits.find(({ id }) => id === 'goes-out')?.from).toBeGreaterThanOrEqual(500);
    expect(found.visits.find(({ id }) => id === 'fits')?.to).toBeLessThanOrEqual(30);
  });

  test('what another would push into its hire is done before it; a search that has no time leaves it until it is back', () => {
    const goes = visit('goes', [hands(10, 'a'), wait(40), hands(10, 'b')], {
      away: [[100, 500]],
      centsPerMinuteWaiting: 9,
    });
    const asked = bench([goes, visit('long', [hands(200)], { centsPerMinuteWaiting: 60 })]);
    expect(plan(asked).visits.find(({ id }) => id === 'goes')?.to).toBeLessThanOrEqual(100);
    const hasty = planBench(asked, { random: seeded(1), spent: () => 1 });
    expect(hasty.visits.find(({ id }) => id === 'goes')?.from).toBeGreaterThanOrEqual(500);
  });

  test('no more units stand open than there are places', () => {
    const open = ['a', 'b', 'c'].map((id) => visit(id, [hands(10, 'x'), wait(100), hands(10, 'y')]));
    expect(Math.max(...plan(bench(open)).visits.map(({ to }) => to))).toBeLessThan(200);
    const [first, second] = [...plan(bench(open, { technicians: [ada({ places: 1 })] })).visits].sort(
      (a, b) => a.from - b.from,
    );
    expect(second?.from).toBeGreaterThanOrEqual(first?.to ?? Infinity);
  });

  test('what people saw is moved only where it is worth its price', () => {
    const seen = (from: number) => ({ who: 'ada', from });
    const works = [visit('a', [hands(60)], { seen: seen(0) }), visit('b', [hands(50)], { seen: seen(60) })];
    expect(orderOf(bench(works))).toEqual(['b', 'a']);
    expect(orderOf(bench(works, { centsPerMove: 500 }))).toEqual(['a', 'b']);
  });

  test('nobody who may: named, not planned; more than the shifts: how much, and which', () => {
    const asked = bench(
      [
        visit('welds', [hands(30)], { who: ['ben'] }),
        visit('fits', [hands(50)], { centsPerMinuteWaiting: 9 }),
        visit('gives', [hands(80)]),
      ],
      { technicians: [ada({ shifts: [[0, 60]] })] },
    );
    const found = plan(asked);
    expect(found.nobody).toEqual(['welds']);
    expect(found.beyond).toEqual([{ id: 'gives', minutes: 80 }]);
    expect(found.visits.map(({ id }) => id)).toEqual(['fits']);
    expect(adviceOf(asked, found)).toEqual([
      { code: 'too-much', minutes: 80, ids: ['gives'] },
      { code: 'nobody', ids: ['welds'] },
    ]);
  });

  test('late whatever the order, or by this order', () => {
    const asked = bench([
      visit('hopeless', [hands(90)], { dueAt: 60, centsPerMinuteLate: 1 }),
      visit('dear', [hands(50)], { dueAt: 50, centsPerMinuteLate: 90 }),
      visit('gives way', [hands(40)], { dueAt: 60, centsPerMinuteLate: 2 }),
    ]);
    const found = adviceOf(asked, plan(asked));
    expect(found).toContainEqual(
      expect.objectContaining({ code: 'will-miss', id: 'hopeless', whateverTheOrder: true }),
    );
    expect(found).toContainEqual({ code: 'will-miss', id: 'gives way', byMinutes: 30, whateverTheOrder: false });
    expect(soonestDone(asked, asked.visits[0] ?? visit('none', []))).toBe(90);
  });
});

describe('a move by hand', () => {
  const asked = bench([
    visit('first', [hands(60)], { dueAt: 60, centsPerMinuteLate: 10 }),
    visit('second', [hands(50)]),
  ]);

  test('says what it costs and who is late by it, before it is made', () => {
    const found = plan(asked);
    const moved = tryMove(asked, found, { visitId: 'second', who: 'ada', at: 0 });
    expect(moved?.later).toEqual([{ id: 'first', byMinutes: 50 }]);
    expect(moved?.cents).toBeCloseTo(50 * 10 + 50 - 60, 6);
  });

  test('goes between what is there, its later pieces where they can begin', () => {
    const more = bench([
      visit('soaks', [hands(10, 'a'), wait(60), hands(10, 'b')]),
      visit('x', [hands(30)]),
      visit('y', [hands(30)]),
    ]);
    const moved = tryMove(more, plan(more), { visitId: 'soaks', who: 'ada', at: 0 });
    expect(moved?.plan.visits.find(({ id }) => id === 'soaks')).toMatchObject({ from: 0, to: 80 });
  });

  test('of what nobody knows: nothing', () => {
    expect(tryMove(asked, plan(asked), { visitId: 'none', who: 'ada', at: 0 })).toBeNull();
    expect(tryMove(asked, plan(asked), { visitId: 'first', who: 'zoe', at: 0 })).toBeNull();
  });
});

describe('what work takes', () => {
  test('without own work the template stands', () => {
    expect(durationOf({ minutes: 40, spread: 0.35 }, []).minutes).toBeCloseTo(40, 9);
  });

  test('own work draws it; much of it decides', () => {
    expect(durationOf({ minutes: 40, spread: 0.35 }, [80]).minutes).toBeGreaterThan(40);
    const many = Array.from({ length: 400 }, (_, at) => 80 * Math.exp(0.2 * (at % 2 === 0 ? 1 : -1)));
    const found = durationOf({ minutes: 40, spread: 0.35 }, many);
    expect(found.minutes).toBeCloseTo(80 * Math.exp(0.02), -0.5);
    expect(found.spread).toBeCloseTo(0.2, 1);
  });
});

describe('promises', () => {
  const asked = bench(
    Array.from({ length: 12 }, (_, at) =>
      visit(`v${at}`, [hands(20 + at, 'a'), wait(30), hands(15, 'b')], {
        dueAt: 100 + 60 * at,
        centsPerMinuteLate: 5,
        who: at % 2 ? ['ada', 'ben'] : ['ben'],
      }),
    ),
    { technicians: [ada(), ada({ id: 'ben' })] },
  );

  test('eight in ten holds in 75 to 85 of a hundred other runs', () => {
    const found = plan(asked);
    const promised = promisesOf(asked, found, normalOf(seeded(3)));
    const normal = normalOf(seeded(99));
    const runs = Array.from({ length: 500 }, () => drawRun(asked, found, normal));
    const held = promised.map(
      ({ eightInTen }, at) => runs.filter((run) => (run[at] ?? Infinity) <= eightInTen).length / 500,
    );
    expect(held.reduce((sum, share) => sum + share, 0) / held.length).toBeGreaterThan(0.75);
    expect(held.reduce((sum, share) => sum + share, 0) / held.length).toBeLessThan(0.85);
  });

  test('one visit alone is as sure as its log-normal minutes', () => {
    const alone = bench([visit('v', [hands(60)], { dueAt: 70, centsPerMinuteLate: 1 })]);
    const [promised] = promisesOf(alone, plan(alone), normalOf(seeded(5)));
    const mu = Math.log(60) - 0.35 ** 2 / 2;
    expect(promised?.inTime).toBeCloseTo(jstat.lognormal.cdf(70, mu, 0.35), 1);
    expect((promised?.eightInTen ?? 0) / jstat.lognormal.inv(0.8, mu, 0.35)).toBeCloseTo(1, 1);
  });
});
