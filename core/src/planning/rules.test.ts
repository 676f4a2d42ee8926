import fc from 'fast-check';
import type { BenchAsked } from './index';
import { hands, visit, ada, bench, plan } from './planning.samples';

describe('every plan', () => {
  const chain = fc.array(fc.record({ minutes: fc.integer({ min: 1, max: 90 }), hands: fc.boolean() }), {
    minLength: 1,
    maxLength: 4,
  });
  const visits = fc.array(
    fc.record({
      chain,
      releaseAt: fc.integer({ min: 0, max: 300 }),
      due: fc.option(fc.integer({ min: 0, max: 900 })),
      who: fc.constantFrom(['ada'], ['ben'], ['ada', 'ben']),
      pinnedAt: fc.option(fc.integer({ min: 0, max: 500 }), { freq: 6 }),
      away: fc.option(fc.integer({ min: 60, max: 600 }), { freq: 4 }),
    }),
    { minLength: 1, maxLength: 8 },
  );
  const shifts = [
    [0, 120],
    [150, 300],
    [700, 820],
    [850, 4000],
  ] as const;

  test('keeps the rules: nobody in two places, nothing before its predecessor or outside shifts, no unit out and on the bench', () => {
    fc.assert(
      fc.property(visits, fc.integer({ min: 1, max: 3 }), (many, places) => {
        const asked = bench(
          many.map((one, at) =>
            visit(
              `v${at}`,
              one.chain.map((phase, nth) => ({ ...phase, id: `p${nth}`, spread: 0.3 })),
              {
                releaseAt: one.releaseAt,
                dueAt: one.due,
                centsPerMinuteLate: 3,
                who: one.who,
                // At most one is pinned: two may want the same hour.
                pinnedAt: at === 0 ? one.pinnedAt : null,
                away: at === 1 && one.away !== null ? [[one.away, one.away + 400]] : [],
              },
            ),
          ),
          { technicians: [ada({ shifts, places }), ada({ id: 'ben', shifts, places })] },
        );
        const found = plan(asked, 20);
        expect(found.visits.length + found.beyond.length + found.nobody.length).toBe(many.length);
        for (const one of found.visits) mustKeepItsRules(asked, found, one.id);
        for (const who of ['ada', 'ben']) {
          mustBeInOnePlace(found.phases.filter((phase) => phase.who === who));
          expect(mostOpen(found.visits.filter((one) => one.who === who))).toBeLessThanOrEqual(places);
        }
      }),
      { numRuns: 50 },
    );
  });

  function mustKeepItsRules(asked: BenchAsked, found: ReturnType<typeof plan>, id: string): void {
    const own = found.phases.filter(({ visitId }) => visitId === id);
    const of = asked.visits.find((one) => one.id === id);
    if (of === undefined) throw new Error(id);
    let end = of.releaseAt;
    for (const phase of own) {
      expect(phase.from).toBeGreaterThanOrEqual(end - 1e-6);
      end = phase.to;
      if (phase.who === null) continue;
      expect(of.who).toContain(phase.who);
      const worked = shifts.reduce(
        (sum, [from, to]) => sum + Math.max(Math.min(to, phase.to) - Math.max(from, phase.from), 0),
        0,
      );
      expect(worked).toBeCloseTo(of.phases.find((one) => one.id === phase.phaseId)?.minutes ?? -1, 6);
      expect(shifts.some(([from, to]) => phase.from >= from && phase.from < to)).toBe(true);
      expect(shifts.some(([from, to]) => phase.to > from && phase.to <= to)).toBe(true);
    }
    const begun = own.find((phase) => phase.who !== null)?.from ?? Infinity;
    for (const [from, to] of of.away) expect(begun < to && end > from).toBe(false);
    if (of.pinnedAt !== null && begun < Infinity) expect(begun).toBeGreaterThanOrEqual(of.pinnedAt);
  }

  function mustBeInOnePlace(phases: readonly { readonly from: number; readonly to: number }[]): void {
    const sorted = [...phases].sort((a, b) => a.from - b.from || a.to - b.to);
    sorted.forEach((phase, at) => expect(phase.from).toBeGreaterThanOrEqual((sorted[at - 1]?.to ?? 0) - 1e-6));
  }

  /** Units that stand open at once: each from its first piece to its end. */
  const mostOpen = (all: readonly { readonly from: number; readonly to: number }[]): number =>
    Math.max(0, ...all.map(({ from }) => all.filter((one) => one.from <= from && one.to > from + 1e-6).length));

  test('the same seed and budget make the same plan', () => {
    const asked = bench(
      Array.from({ length: 9 }, (_, at) =>
        visit(`v${at}`, [hands(10 + at * 7)], { dueAt: 50 * at, centsPerMinuteLate: at }),
      ),
    );
    expect(plan(asked)).toEqual(plan(asked));
  });
});
