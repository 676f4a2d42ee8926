import fc from 'fast-check';
import { convert, quantity } from '../units';
import { centreOf, isPlainRing, neighboursOf, tighteningPattern, torqueRounds, type BoltPlace } from './index';
import { nth } from '../typed';

const ring = (n: number, radius = 10): BoltPlace[] =>
  Array.from({ length: n }, (_, at) => ({
    x: radius * Math.cos((2 * Math.PI * at) / n),
    y: radius * Math.sin((2 * Math.PI * at) / n),
  }));
const grid = (columns: number, rows: number): BoltPlace[] =>
  Array.from({ length: columns * rows }, (_, at) => ({ x: (at % columns) * 30, y: Math.floor(at / columns) * 40 }));

describe('the tightening pattern (common practice)', () => {
  test('a square ring goes crosswise', () => expect(tighteningPattern(ring(4))).toEqual([0, 2, 1, 3]));
  test('a plain ring of eight: each next bolt is not beside the last', () => {
    const order = tighteningPattern(ring(8));
    order.slice(1).forEach((bolt, at) => expect([1, 7]).not.toContain(Math.abs(bolt - nth(order, at))));
    expect(Math.abs(nth(order, 1) - nth(order, 0))).toBe(4);
  });
  test('two rows of five, as on a head: from the middle outwards, the ends last', () => {
    const order = tighteningPattern(grid(5, 2));
    expect([2, 7]).toContain(order[0]);
    expect([0, 4, 5, 9]).toContain(order.at(-1));
    expect([0, 4, 5, 9]).not.toContain(order[1]);
  });

  test.each([
    [4, '1-3-2-4'],
    [5, '1-3-5-2-4'],
    [6, '1-4-2-5-3-6'],
    [8, '1-5-3-7-2-6-4-8'],
    [9, '1-5-9-4-8-3-7-2-6'],
    [12, '1-7-4-10-2-8-5-11-3-9-6-12'],
    [16, '1-9-5-13-3-11-7-15-2-10-6-14-4-12-8-16'],
    [20, '1-11-6-16-3-13-8-18-5-15-10-20-2-12-7-17-4-14-9-19'],
  ])('a ring of %d, cross first: %s (ASME PCC-1, legacy cross-pattern; from memory)', (n, order) => {
    const said = (bolts: readonly BoltPlace[]) =>
      tighteningPattern(bolts)
        .map((bolt) => bolt + 1)
        .join('-');
    expect(said(ring(n))).toBe(order);
    // Numbered the other way round, and moved: the same.
    expect(said(ring(n).map(({ x, y }) => ({ x: 90 - x, y })))).toBe(order);
  });

  test('a ring of any even number goes to the bolt opposite each second time; whatever order the places are given in (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 16 }), fc.infiniteStream(fc.nat()), (half, mixed) => {
        const n = half * 2;
        const keys = [...mixed.take(n)];
        const bolts = ring(n).map((place, at) => ({ place, key: at === 0 ? -1 : nth(keys, at) }));
        const shuffled = bolts.sort((a, b) => a.key - b.key).map(({ place }) => place);
        const order = tighteningPattern(shuffled).map((bolt) => nth(shuffled, bolt));
        for (let turn = 0; turn < n; turn += 2) {
          expect(nth(order, turn).x + nth(order, turn + 1).x).toBeCloseTo(0, 6);
          expect(nth(order, turn).y + nth(order, turn + 1).y).toBeCloseTo(0, 6);
        }
        expect(new Set(order).size).toBe(n);
      }),
    );
  });

  const places = fc.oneof(
    fc.integer({ min: 1, max: 12 }).map((n) => ring(n)),
    fc
      .tuple(fc.integer({ min: 2, max: 5 }), fc.integer({ min: 1, max: 3 }))
      .map(([columns, rows]) => grid(columns, rows)),
  );
  test('each bolt once, begun nearest the centre', () => {
    fc.assert(
      fc.property(places, (bolts) => {
        const order = tighteningPattern(bolts);
        expect([...order].sort((a, b) => a - b)).toEqual(bolts.map((_, at) => at));
        const centre = {
          x: bolts.reduce((sum, bolt) => sum + bolt.x, 0) / bolts.length,
          y: bolts.reduce((sum, bolt) => sum + bolt.y, 0) / bolts.length,
        };
        const reach = (at: number) => Math.hypot(nth(bolts, at).x - centre.x, nth(bolts, at).y - centre.y);
        if (!isPlainRing(bolts))
          expect(reach(nth(order, 0))).toBeLessThanOrEqual(Math.min(...bolts.map((_, at) => reach(at))) + 1e-9);
      }),
    );
  });
  test('never two neighbours in a row on rings of six and more', () => {
    fc.assert(
      fc.property(fc.integer({ min: 6, max: 30 }), (n) => {
        const bolts = ring(n);
        const beside = neighboursOf(bolts);
        const order = tighteningPattern(bolts);
        order.slice(1).forEach((bolt, at) => expect(beside[nth(order, at)]?.has(bolt)).toBe(false));
      }),
    );
  });
});

describe('where bolts stand', () => {
  test('the middle is the mean; a ring may be out of round by an eighth, not more', () => {
    expect(
      centreOf([
        { x: 0, y: 0 },
        { x: 4, y: 2 },
      ]),
    ).toEqual({ x: 2, y: 1 });
    const oval = (wide: number): BoltPlace[] => [
      { x: wide, y: 0 },
      { x: 0, y: 10 },
      { x: -wide, y: 0 },
      { x: 0, y: -10 },
    ];
    expect([isPlainRing(oval(10)), isPlainRing(oval(11.3)), isPlainRing(oval(11.4)), isPlainRing(grid(5, 2))]).toEqual([
      true,
      true,
      false,
      false,
    ]);
    // Exactly at the limit: 8.8 of 10.
    expect(
      isPlainRing([
        { x: 10, y: 0 },
        { x: -10, y: 0 },
        { x: 0, y: 8.8 },
        { x: 0, y: -8.8 },
      ]),
    ).toBe(true);
  });

  test('neighbours are those about as near as the nearest, and both ways', () => {
    // A row with gaps of 10, 12 and 20: 12 is within a quarter of 10, 20 is not.
    const row = [0, 10, 22, 42].map((x) => ({ x, y: 0 }));
    expect(neighboursOf(row).map((set) => [...set].sort())).toEqual([[1], [0, 2], [1, 3], [2]]);
    expect(neighboursOf(ring(6)).map((set) => set.size)).toEqual([2, 2, 2, 2, 2, 2]);
    // Rows farther apart than the bolts of a row by more than a quarter: across is no neighbour.
    expect(neighboursOf(grid(3, 2)).map((set) => [...set].sort())).toEqual([[1], [0, 2], [1], [4], [3, 5], [4]]);
    // Exactly a quarter farther still counts.
    expect(neighboursOf([0, 8, 18].map((x) => ({ x, y: 0 })))[1]).toEqual(new Set([0, 2]));
  });

  test('none, one and two bolts', () => {
    expect([tighteningPattern([]), tighteningPattern(ring(1)), tighteningPattern(ring(2))]).toEqual([[], [0], [0, 1]]);
    // Three stand side by side each: neighbours in a row where it cannot be otherwise.
    expect(tighteningPattern(ring(3))).toEqual([0, 1, 2]);
  });

  test('a head of two rows: the whole order, from the middle outwards and crosswise', () => {
    // By hand: the two in the middle, then those beside them, then the ends, each time to the farthest of those that are due.
    expect(tighteningPattern(grid(5, 2))).toEqual([2, 7, 1, 8, 6, 3, 5, 4, 0, 9]);
  });
});

describe('what the wrench is set to', () => {
  test('an extension without an arm is refused: nobody knows by how much the wrench reads low', () => {
    expect(torqueRounds({ wanted: 60, extension: 12 })).toEqual({ ok: false, code: 'arm-wanted' });
    expect(torqueRounds({ wanted: 60, arm: 12 })).toEqual(torqueRounds({ wanted: 60 }));
  });
  test('drag read with the extension on stands in what the wrench shows; read without, it is turned by its law too', () => {
    const last = (dragWithExtension: boolean) => {
      const rounds = torqueRounds({ wanted: 60, drag: 8, arm: 12, extension: 12, dragWithExtension });
      return rounds.ok && rounds.wrench.at(-1);
    };
    // 68 on the bolt in truth: 34 on a wrench that reads half. 8 read with the extension are 16 on the bolt: 76, of which it reads 38.
    expect([last(false), last(true)]).toEqual([34, 38]);
    expect(torqueRounds({ wanted: 40, drag: 16, arm: 10, extension: 10, dragWithExtension: true })).toEqual({
      ok: false,
      code: 'drag-too-high',
    });
  });
  test('8 drag and 40 wanted end at 48 (common practice)', () => {
    const rounds = torqueRounds({ wanted: 40, drag: 8 });
    expect(rounds.ok && rounds.wrench.at(-1)).toBeCloseTo(48, 9);
    expect(rounds.ok && rounds.wrench.map((value) => Math.round(value * 10) / 10)).toEqual([21.3, 34.7, 48, 48]);
  });
  test('an extension as long as the wrench halves what is set', () => {
    const rounds = torqueRounds({ wanted: 60, arm: 12, extension: 12 });
    expect(rounds.ok && rounds.wrench.at(-1)).toBeCloseTo(30, 9);
  });
  test('drag near the wanted torque: the figure means nothing', () => {
    expect(torqueRounds({ wanted: 40, drag: 35 })).toEqual({ ok: false, code: 'drag-too-high' });
    expect(torqueRounds({ wanted: 40, drag: 32 }).ok).toBe(false);
    expect(torqueRounds({ wanted: 40, drag: 31.99 }).ok).toBe(true);
  });
  test('165 lbf·in are 13.75 lbf·ft: NIST SP 811 (2008), Appendix B.8', () =>
    expect(convert(quantity('torque', 165, 'lbf·in'), 'lbf·ft').value).toBeCloseTo(13.75, 9));
});
