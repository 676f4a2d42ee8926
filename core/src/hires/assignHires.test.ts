import fc from 'fast-check';
import { assignHires, canTake, helpFor, type ClassHire, type ClassUnit } from './index';
import { NOT_COVERED, TURNAROUND, weightOf } from './assignHires';

const DAY = 1440;
const hire = (reference: string, from: number, to: number, was: string | null = null): ClassHire => ({
  ...{ reference, from, to, was },
});
const unit = (tag: string, more: Partial<ClassUnit> = {}): ClassUnit => ({
  tag,
  readyAt: 0,
  sure: 1,
  taken: [],
  dueAt: Infinity,
  ...more,
});
const tagsOf = (hires: readonly ClassHire[], units: readonly ClassUnit[]) =>
  Object.fromEntries(assignHires(hires, units).map(({ reference, tag }) => [reference, tag]));

describe('which unit a hire is given', () => {
  test('one unit serves two hires that leave time between them', () => {
    const second = DAY + TURNAROUND.value;
    expect(tagsOf([hire('B-1', 0, DAY), hire('B-2', second, 2 * DAY)], [unit('GE-01')])).toEqual({
      'B-1': 'GE-01',
      'B-2': 'GE-01',
    });
    expect(tagsOf([hire('B-1', 0, DAY), hire('B-2', second - 1, 2 * DAY)], [unit('GE-01')])['B-2']).toBeNull();
  });

  test('no service runs out on hire where another unit lasts', () => {
    const units = [unit('GE-01', { dueAt: DAY }), unit('GE-02', { dueAt: 9 * DAY })];
    expect(tagsOf([hire('B-1', 0, 2 * DAY)], units)).toEqual({ 'B-1': 'GE-02' });
    expect(assignHires([hire('B-1', 0, 2 * DAY)], units.slice(0, 1))).toEqual([
      { reference: 'B-1', tag: 'GE-01', overruns: true },
    ]);
  });

  test('the longest life is kept for the hire that needs it', () => {
    const units = [unit('GE-01', { dueAt: 30 * DAY }), unit('GE-02', { dueAt: 4 * DAY })];
    expect(tagsOf([hire('short', 0, DAY), hire('long', 10, 9 * DAY)], units)).toEqual({
      short: 'GE-02',
      long: 'GE-01',
    });
  });

  test('one that is fit before one that may be ready; one that is not ready then, never', () => {
    const units = [unit('GE-01', { readyAt: 60, sure: 0.5 }), unit('GE-02', { dueAt: 40 * DAY })];
    expect(tagsOf([hire('B-1', DAY, 2 * DAY)], units)).toEqual({ 'B-1': 'GE-02' });
    expect(tagsOf([hire('B-1', 30, DAY)], units.slice(0, 1))).toEqual({ 'B-1': null });
  });

  test('nothing is shuffled for a little; it is for a service that would run out', () => {
    const units = [unit('GE-01', { dueAt: 9 * DAY }), unit('GE-02', { dueAt: 20 * DAY })];
    expect(tagsOf([hire('B-1', 0, DAY, 'GE-02')], units)).toEqual({ 'B-1': 'GE-02' });
    const worn = [unit('GE-01', { dueAt: 9 * DAY }), unit('GE-02', { dueAt: DAY / 2 })];
    expect(tagsOf([hire('B-1', 0, DAY, 'GE-02')], worn)).toEqual({ 'B-1': 'GE-01' });
  });

  const hires = fc.array(
    fc.record({
      from: fc.integer({ min: 0, max: 10 * DAY }),
      days: fc.integer({ min: 1, max: 4 }),
      was: fc.constantFrom(null, 'a', 'b'),
    }),
    { minLength: 1, maxLength: 5 },
  );
  const units = fc.array(
    fc.record({
      readyAt: fc.constantFrom(0, 0, 600, Infinity),
      sure: fc.double({ min: 0, max: 1, noNaN: true }),
      dueAt: fc.integer({ min: 0, max: 20 * DAY }),
      taken: fc.constantFrom([], [[2 * DAY, 4 * DAY]] as const),
    }),
    { minLength: 1, maxLength: 3 },
  );

  test('weighs as little as the best of all ways of giving', () => {
    fc.assert(
      fc.property(hires, units, (wanted, there) => {
        const asked = wanted.map(({ from, days, was }, at) => hire(`B-${at}`, from, from + days * DAY, was));
        const fleet = there.map((one, at) => unit('abc'[at] ?? '', one));
        const all = waysOf(asked, fleet);
        const found = assignHires(asked, fleet);
        const weight = weigh(
          found.map(({ reference, tag }) => [asked.find((one) => one.reference === reference), tag]),
          fleet,
        );
        expect(weight).toBeCloseTo(Math.min(...all), 6);
      }),
      { numRuns: 150 },
    );
  });

  type Pair = readonly [ClassHire | undefined, string | null];

  function weigh(pairs: readonly Pair[], fleet: readonly ClassUnit[]): number {
    return pairs.reduce((sum, [one, tag], at) => {
      const given = fleet.find((other) => other.tag === tag);
      if (one === undefined || given === undefined) return sum + NOT_COVERED.value;
      const clashes = pairs
        .slice(0, at)
        .some(
          ([other, its]) =>
            its === tag && other && other.from < one.to + TURNAROUND.value && one.from < other.to + TURNAROUND.value,
        );
      return clashes || !canTake(given, one) ? Infinity : sum + weightOf(one, given);
    }, 0);
  }

  const waysOf = (asked: readonly ClassHire[], fleet: readonly ClassUnit[]): number[] =>
    asked
      .reduce<Pair[][]>(
        (ways, one) =>
          ways.flatMap((way) => [null, ...fleet.map(({ tag }) => tag)].map((tag) => [...way, [one, tag] as const])),
        [[]],
      )
      .map((way) => weigh(way, fleet));
});

describe('the nearest help', () => {
  const wanted = hire('B-1', DAY, 2 * DAY);

  test('a visit that would be ready if it came first', () => {
    const held = [unit('GE-01', { readyAt: 3 * DAY }), unit('GE-02', { readyAt: 3 * DAY })];
    const soonest = new Map([
      ['GE-01', 900],
      ['GE-02', 400],
    ]);
    expect(helpFor(wanted, held, soonest, [])).toEqual({ visit: 'GE-02', swap: null });
    expect(helpFor(wanted, held, new Map([['GE-01', 2000]]), []).visit).toBeNull();
  });

  test('a promised unit that could be another', () => {
    const own = { reference: 'B-9', tag: 'GE-01', from: 2 * DAY + 200, to: 3 * DAY };
    const units = [
      unit('GE-01', {
        taken: [
          [own.from, own.to],
          [0, 600],
        ],
      }),
      unit('GE-02', { readyAt: 2 * DAY }),
      unit('GE-03', { taken: [[0, 9 * DAY]] }),
    ];
    const long = hire('B-1', DAY, 3 * DAY);
    expect(helpFor(long, units, new Map(), [own]).swap).toEqual({ reference: 'B-9', from: 'GE-01', to: 'GE-02' });
    expect(helpFor(long, units.slice(0, 1), new Map(), [own]).swap).toBeNull();
  });
});
