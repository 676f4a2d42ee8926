import fc from 'fast-check';
import { seeded } from '../diagnosis';
import { Bench } from './Bench';
import { dispatch } from './dispatch';
import { proposeMove } from './moves';
import { ada, bench, hands, visit, wait } from './planning.samples';
import { WorkTime } from './WorkTime';

const DAYS = [0, 1440, 2880].flatMap((day) => [[day, day + 240] as const, [day + 270, day + 480] as const]);

/** A bench at random: some visits wait, are out, pinned, seen, or come later. */
function anyBench(seed: number, isPlain: boolean): Bench {
  const random = seeded(seed);
  const upTo = (most: number): number => Math.floor(random() * most);
  const visits = Array.from({ length: 14 }, (_, at) =>
    visit(
      `v${at}`,
      [hands(5 + upTo(70), 'a'), ...(random() < 0.4 ? [wait(30 + upTo(200)), hands(5 + upTo(30), 'b')] : [])],
      {
        releaseAt: random() < 0.2 ? upTo(600) : 0,
        dueAt: random() < 0.6 ? upTo(2000) : null,
        centsPerMinuteLate: upTo(30),
        centsPerMinuteWaiting: 1 + upTo(5),
        who: ['ada', 'ben'],
        ...(isPlain
          ? {}
          : {
              away: random() < 0.2 ? [[600, 900] as const] : [],
              pinnedAt: at === 3 ? 300 : null,
              seen: random() < 0.5 ? { who: 'ada', from: upTo(900) } : null,
            }),
      },
    ),
  );
  const technicians = ['ada', 'ben'].map((id) => ada({ id, shifts: DAYS, places: 2 }));
  return new Bench(bench(visits, { technicians, centsPerMove: 500 }));
}

const fresh = (of: Bench, who: number, order: readonly number[]): number =>
  new Bench({
    visits: of.visits,
    technicians: ['ada', 'ben'].map((id) => ada({ id, shifts: DAYS, places: 2 })),
    centsPerMove: 500,
  }).reckon(who, order);

describe('what an order costs', () => {
  test('a change that is tried, kept or undone comes to what the whole order comes to', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.boolean(), (seed, isPlain) => {
        const of = anyBench(seed, isPlain);
        const random = seeded(seed + 1);
        const order = dispatch(of, 2);
        order.forEach((own, who) => of.reckon(who, own));
        for (let nth = 0; nth < 40; nth++) {
          const move = proposeMove(of, order, random) ?? [];
          for (const { who, order: own } of move) expect(of.try(who, own)).toBeCloseTo(fresh(of, who, own), 4);
          if (random() < 0.5) for (const { who } of [...move].reverse()) of.undo(who);
          else
            for (const { who, order: own } of move) {
              of.keep(who);
              order[who] = own;
            }
          order.forEach((own, who) => expect(of.centsNow(who)).toBeCloseTo(fresh(of, who, own), 4));
        }
      }),
      { numRuns: 25 },
    );
  });

  test('a change keeps every piece, once, and those of a visit in their order', () => {
    const of = anyBench(7, false);
    const random = seeded(3);
    const order = dispatch(of, 2);
    order.forEach((own, who) => of.reckon(who, own));
    const all = [...of.pieces.keys()];
    for (let nth = 0; nth < 300; nth++) {
      for (const { who, order: own } of proposeMove(of, order, random) ?? []) {
        of.reckon(who, own);
        order[who] = own;
      }
      expect(order.flat().sort((a, b) => a - b)).toEqual(all);
      for (const { pieces } of of.chains)
        for (const own of order)
          expect(own.filter((piece) => pieces.includes(piece))).toEqual(
            own.some((piece) => pieces.includes(piece)) ? pieces : [],
          );
    }
  });

  test('a bound turns away what is above it; seldom what would have come below in the end', () => {
    const turnedAway: boolean[] = [];
    for (let seed = 1; seed <= 300; seed++) {
      const of = anyBench(seed, true);
      const order = dispatch(of, 1);
      order.forEach((own, who) => of.reckon(who, own));
      for (const { who, order: own } of proposeMove(of, order, seeded(seed)) ?? []) {
        const most = of.centsNow(who);
        const cents = of.try(who, own, most);
        const whole = fresh(of, who, own);
        if (cents === Infinity) turnedAway.push(whole > most);
        else expect(cents).toBeCloseTo(whole, 4);
      }
    }
    expect(turnedAway.length).toBeGreaterThan(50);
    expect(turnedAway.filter((isRight) => isRight).length / turnedAway.length).toBeGreaterThan(0.95);
  });
});

describe('working time by the minute', () => {
  const shifts = [
    [30, 60],
    [60, 90],
    [200, 260],
  ] as const;
  const time = new WorkTime(shifts);
  const slowly = (at: number): number =>
    shifts.reduce((sum, [from, to]) => sum + Math.max(Math.min(to, at) - from, 0), 0);

  test('is what the shifts say, at parts of a minute too', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 259.9, noNaN: true }), (at) => {
        expect(time.worked(at)).toBeCloseTo(slowly(at), 9);
      }),
    );
  });

  test('begins where work goes on, ends where it was done, and comes back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1199 }), (tenths) => {
        const worked = tenths / 10;
        const [begin, end] = [time.begin(worked), time.end(worked)];
        expect(time.worked(begin)).toBeCloseTo(worked, 9);
        if (worked > 0) expect(time.worked(end)).toBeCloseTo(worked, 9);
        expect(shifts.some(([from, to]) => begin >= from && begin < to)).toBe(true);
        if (worked > 0) expect(shifts.some(([from, to]) => end > from && end <= to)).toBe(true);
      }),
    );
  });

  test('beyond the last shift a minute takes three', () => {
    expect([time.end(130), time.begin(130), time.worked(290)]).toEqual([290, 290, 130]);
    expect(new WorkTime([]).end(10)).toBe(30);
  });
});
