import jStat from 'jstat';
import fc from 'fast-check';
import { checkSupersessions, kitOrPieces, todaysNumber } from './index';
import { reorderPoint } from './reorderPoint';
import { nth } from '../typed';

describe('today’s number', () => {
  const edges = [
    { old: 'A', by: 'B' },
    { old: 'b', by: 'C' },
    { old: 'X', by: 'C' },
  ];
  test('its worked example: A→B, B→C: A gives C, by any spelling', () =>
    expect(todaysNumber(' a ', edges)).toEqual({ ok: true, number: 'C', through: ['A', 'B'] }));
  test('a number that nothing replaced is its own', () =>
    expect(todaysNumber('Q', edges)).toEqual({ ok: true, number: 'Q', through: [] }));
  test('loops and forks are said, each once', () => {
    const tangled = [
      { old: 'A', by: 'B' },
      { old: 'B', by: 'A' },
      { old: 'F', by: 'G' },
      { old: 'F', by: 'H' },
      { old: 'E', by: 'F' },
    ];
    expect(
      checkSupersessions(tangled)
        .map((problem) => problem.code)
        .sort(),
    ).toEqual(['fork', 'loop']);
    expect(todaysNumber('E', tangled)).toEqual({ ok: false, problem: { code: 'fork', number: 'F', by: ['G', 'H'] } });
  });

  test('every number of a chain gives its end, however the list is ordered', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.string({ minLength: 2, maxLength: 5, unit: fc.constantFrom(...'ABCDEFGH123') }), {
          minLength: 2,
          maxLength: 8,
        }),
        fc.integer(),
        (chain, seed) => {
          const edges2 = chain
            .slice(1)
            .map((by, at) => ({ old: nth(chain, at), by }))
            .sort((a, b) => ((a.old.charCodeAt(0) * 31 + seed) % 7) - ((b.old.charCodeAt(0) * 31 + seed) % 7));
          for (const number of chain)
            expect(todaysNumber(number, edges2)).toMatchObject({ ok: true, number: chain.at(-1) });
          expect(checkSupersessions(edges2)).toEqual([]);
        },
      ),
    );
  });
});

test('kit or pieces: its worked example, and the kit where they cost the same', () => {
  expect(
    kitOrPieces(1900, [
      { count: 1, cents: 400 },
      { count: 1, cents: 600 },
    ]),
  ).toEqual({ buy: 'pieces', kitCents: 1900, piecesCents: 1000 });
  expect(kitOrPieces(1000, [{ count: 2, cents: 500 }]).buy).toBe('kit');
});

describe('the point to order again', () => {
  test('its worked example: 0.1 a day and 10 days at 0.95 give 3', () => expect(reorderPoint(0.1, 10, 0.95)).toBe(3));

  test('the smallest count whose Poisson probability reaches the level (against jStat’s distribution function)', () => {
    const { poisson } = jStat;
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 25, noNaN: true }),
        fc.constantFrom(0.5, 0.8, 0.9, 0.95, 0.99),
        (mean, level) => {
          const count = reorderPoint(mean / 10, 10, level);
          expect(poisson.cdf(count, mean)).toBeGreaterThanOrEqual(level - 1e-9);
          if (count > 0) expect(poisson.cdf(count - 1, mean)).toBeLessThan(level + 1e-9);
        },
      ),
    );
  });
});
