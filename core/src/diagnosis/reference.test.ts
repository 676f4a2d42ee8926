import { infer } from 'bayesjs';
import fc from 'fast-check';
import { FAULT_KNOWLEDGE, type AnyFault, type AnyObservation, type SeenAs } from '../catalogue';
import { nth } from '../typed';
import { Finding, type Chapter, type Knowledge } from './index';

/**
 * Small networks with faults that bring others about and faults that are given, two ways: by a general Bayesian-network library (bayesjs,
 * junction tree; noisy-or of Pearl, Probabilistic Reasoning in Intelligent Systems, 1988, section 4.3.2), and by counting every state.
 */
interface Small {
  /** By fault: its own odds as a share. */
  readonly own: readonly number[];
  /** By parent, child: 0 where it does not bring it about. Only later faults are brought about. */
  readonly brings: readonly (readonly number[])[];
  /** By observation: what a healthy machine shows. */
  readonly healthy: readonly number[];
  /** By fault, by observation: it speaks so often, and shows `bad` in so much of that, else `worse`. */
  readonly speaks: readonly (readonly (readonly [number, number])[])[];
  /** By observation: what was seen; null: not looked at. */
  readonly seen: readonly ('good' | 'bad' | 'worse' | null)[];
}

const f = (n: number): string => `f${n}`;
const o = (n: number): string => `o${n}`;
const WORSE_OF_HEALTHY = 0.25;

function knowledgeOf(net: Small, more: Partial<Knowledge> = {}, kind: 'look' | 'complaint' = 'look'): Knowledge {
  // Totals that leave these own parts: 1 − q_f = (1 − p_f) ∏ (1 − q_g b_gf), parents first.
  const totals: number[] = [];
  for (const [at, own] of net.own.entries())
    totals.push(
      1 - (1 - own) * net.brings.slice(0, at).reduce((none, row, g) => none * (1 - nth(totals, g) * nth(row, at)), 1),
    );
  const faults = totals.map((total, at): [string, AnyFault] => [
    f(at),
    {
      name: '',
      lane: 'fuel',
      family: '',
      perThousand: 1000 * total,
      rank: at,
      shows: Object.fromEntries(
        net.healthy.map((_, look) => {
          const [t, share] = nth(nth(net.speaks, at), look);
          return [o(look), { bad: t * share, worse: t * (1 - share) }];
        }),
      ),
      repair: { title: f(at), minutes: 1, partsCents: 0 },
    },
  ]);
  const observations = net.healthy.map((h, look): [string, AnyObservation] => [
    o(look),
    {
      words: '',
      kind,
      minutes: 1,
      how: '',
      outcomes: {
        good: ['', h, ''],
        bad: ['', (1 - h) * (1 - WORSE_OF_HEALTHY), ''],
        worse: ['', (1 - h) * WORSE_OF_HEALTHY, ''],
      },
      ...(kind === 'look' ? { harmless: ['bad', 'worse'] } : {}),
    },
  ]);
  return {
    ...FAULT_KNOWLEDGE,
    faults: Object.fromEntries(faults),
    brings: Object.fromEntries(
      net.brings.map((row, g) => [f(g), Object.fromEntries(row.flatMap((b, c) => (b > 0 ? [[f(c), b]] : [])))]),
    ),
    seenAs: [],
    observations: Object.fromEntries(observations),
    sameFacts: [],
    standstills: [],
    tellsPast: [],
    ...more,
  };
}

const seenOf = ({ seen }: Small) =>
  Object.fromEntries(seen.flatMap((outcome, look) => (outcome === null ? [] : [[o(look), outcome]])));
const find = (knowledge: Knowledge, chapters: readonly Chapter[]) =>
  new Finding(knowledge, { engine: {}, past: {} }, chapters);

interface State {
  readonly set: readonly number[];
  readonly weight: number;
}

/** Every set with what is given and up to three besides: the product of what is and of what is not, scaled alike. */
function states(net: Small, scale: readonly number[], given: readonly number[]): State[] {
  const n = net.own.length;
  const found: State[] = [];
  for (let mask = 0; mask < 2 ** n; mask++) {
    const isIn = (at: number): boolean => (mask & (1 << at)) !== 0;
    const set = net.own.flatMap((_, at) => (isIn(at) ? [at] : []));
    if (!given.every(isIn) || set.length - given.length > 3) continue;
    const weight = net.own.reduce((product, own, at) => {
      const none = net.brings.reduce((rest, row, g) => (isIn(g) ? rest * (1 - nth(row, at)) : rest), 1 - own);
      return product * (isIn(at) ? (1 - none) * nth(scale, at) : none);
    }, 1);
    found.push({ set, weight });
  }
  return found;
}

/** What a look may show in this state: each pattern of who speaks, by who is heard. */
function patterns(
  net: Small,
  set: readonly number[],
  look: number,
): { heard: number | null; spoke: readonly number[]; p: number }[] {
  const found = [];
  for (let mask = 0; mask < 2 ** set.length; mask++) {
    const spoke = set.filter((_, at) => (mask & (1 << at)) !== 0);
    const p = set.reduce((product, fault) => {
      const [t] = nth(nth(net.speaks, fault), look);
      return product * (spoke.includes(fault) ? t : 1 - t);
    }, 1);
    found.push({ heard: spoke[0] ?? null, spoke, p });
  }
  return found;
}

function shows(net: Small, look: number, heard: number | null, outcome: string): number {
  const h = nth(net.healthy, look);
  if (heard === null)
    return outcome === 'good' ? h : (1 - h) * (outcome === 'bad' ? 1 - WORSE_OF_HEALTHY : WORSE_OF_HEALTHY);
  const [, share] = nth(nth(net.speaks, heard), look);
  return outcome === 'good' ? 0 : outcome === 'bad' ? share : 1 - share;
}

/** Likelihood of all that was seen, counting only the patterns that are asked for. */
function likelihood(
  net: Small,
  { set }: State,
  counts: (heard: number | null, spoke: readonly number[], outcome: string) => boolean,
): number {
  return net.seen.reduce((product, outcome, look) => {
    if (outcome === null) return product;
    const sum = patterns(net, set, look)
      .filter(({ heard, spoke }) => counts(heard, spoke, outcome))
      .reduce((total, { heard, p }) => total + p * shows(net, look, heard, outcome), 0);
    return product * sum;
  }, 1);
}

const part = fc.double({ min: 0.05, max: 0.9, noNaN: true });
const small = (faults: { min: number; max: number }, looks: number) =>
  fc.integer(faults).chain((n) =>
    fc.record({
      own: fc.array(fc.double({ min: 0.02, max: 0.4, noNaN: true }), { minLength: n, maxLength: n }),
      brings: fc
        .array(
          fc.array(fc.option(fc.double({ min: 0.05, max: 0.7, noNaN: true }), { freq: 1, nil: 0 }), {
            minLength: n,
            maxLength: n,
          }),
          {
            minLength: n,
            maxLength: n,
          },
        )
        .map((rows) => rows.map((row, g) => row.map((b, child) => (child > g ? b : 0)))),
      healthy: fc.array(part, { minLength: looks, maxLength: looks }),
      speaks: fc.array(fc.array(fc.tuple(part, part), { minLength: looks, maxLength: looks }), {
        minLength: n,
        maxLength: n,
      }),
      seen: fc.array(fc.constantFrom('good' as const, 'bad' as const, 'worse' as const, null), {
        minLength: looks,
        maxLength: looks,
      }),
    }),
  );

const close = (mine: number, theirs: number, within: number): void =>
  expect(Math.abs(mine - theirs)).toBeLessThan(within);

test('with two outcomes, faults that bring others about and one that is given: within 1e-9 of the library', () => {
  fc.assert(
    fc.property(small({ min: 2, max: 3 }, 3), fc.boolean(), (drawn, isGiven) => {
      const net: Small = {
        ...drawn,
        speaks: drawn.speaks.map((row) => row.map(([t]) => [t, 1] as const)),
        seen: drawn.seen.map((one) => (one === 'worse' ? 'bad' : one)),
      };
      const finding = find(knowledgeOf(net), [{ seen: seenOf(net), said: isGiven ? [f(0)] : [] }]);
      const own = finding.model.prior.own;
      const parents = net.own.map((_, at) => f(at));
      const isBad = (mask: number, look: number): number =>
        1 -
        net.own.reduce((good, _, at) => ((mask >> at) & 1 ? good * (1 - nth(nth(net.speaks, at), look)[0]) : good), 1);
      const nodes = net.own.map((_, at) => {
        const above = parents.slice(0, at);
        const cpt = Array.from({ length: 2 ** at }, (__, mask) => {
          const none = above.reduce(
            (rest, ___, g) => ((mask >> g) & 1 ? rest * (1 - nth(nth(net.brings, g), at)) : rest),
            1 - (own[at] ?? 0),
          );
          return {
            when: Object.fromEntries(above.map((id, g) => [id, (mask >> g) & 1 ? 'T' : 'F'])),
            then: { T: 1 - none, F: none },
          };
        });
        return [
          f(at),
          { id: f(at), states: ['T', 'F'], parents: above, cpt: at === 0 ? nth(cpt, 0).then : cpt },
        ] as const;
      });
      const looks = net.healthy.map((h, look) => {
        const cpt = Array.from({ length: 2 ** parents.length }, (_, mask) => {
          const silent = 1 - isBad(mask, look);
          const bad = 1 - silent + silent * (1 - h) * (1 - WORSE_OF_HEALTHY);
          const good = silent * h;
          return {
            when: Object.fromEntries(parents.map((id, at) => [id, (mask >> at) & 1 ? 'T' : 'F'])),
            then: { good, bad, worse: 1 - good - bad },
          };
        });
        return [o(look), { id: o(look), states: ['good', 'bad', 'worse'], parents, cpt }] as const;
      });
      const network = Object.fromEntries([...nodes, ...looks]) as never;
      const evidence = { ...seenOf(net), ...(isGiven ? { [f(0)]: 'T' } : {}) };
      const by = finding.belief.marginals();
      for (const [at, id] of parents.entries())
        if (!(isGiven && at === 0)) close(by[at] ?? 0, infer(network, { [id]: 'T' }, evidence), 1e-9);
    }),
    { numRuns: 60 },
  );
});

describe('networks of up to eight faults, every state counted', () => {
  const scaleOf = (finding: Finding, net: Small): number[] =>
    [...finding.model.prior.scale].map((k, g) => k / nth(net.brings, g).reduce((product, b) => product * (1 - b), 1));
  const ownOf = (finding: Finding, net: Small): Small => ({ ...net, own: [...finding.model.prior.own] });

  test('what is unseen beside what is given', () => {
    fc.assert(
      fc.property(small({ min: 3, max: 8 }, 3), fc.nat(2), (drawn, givens) => {
        const given = Array.from({ length: givens }, (_, at) => 2 * at).filter((at) => at < drawn.own.length);
        const finding = find(knowledgeOf(drawn), [{ seen: seenOf(drawn), said: given.map(f) }]);
        const net = ownOf(finding, drawn);
        const all = states(net, scaleOf(finding, net), given).map((state) => ({
          ...state,
          weight: state.weight * likelihood(net, state, () => true),
        }));
        const total = all.reduce((sum, { weight }) => sum + weight, 0);
        const by = finding.belief.marginals();
        for (const at of net.own.keys())
          if (!given.includes(at))
            close(
              by[at] ?? 0,
              all.reduce((sum, { set, weight }) => (set.includes(at) ? sum + weight : sum), 0) / total,
              1e-12,
            );
      }),
      { numRuns: 80 },
    );
  });

  test('whether what is given is enough, with what its repair cures: heard in all trouble, alone or not, or with chance', () => {
    fc.assert(
      fc.property(small({ min: 3, max: 6 }, 3), fc.subarray([0, 2]), (drawn, cured) => {
        const told: Small = { ...drawn, seen: drawn.seen.map((one) => (one === 'good' ? 'bad' : one)) };
        if (told.seen.every((one) => one === null)) return;
        const base = knowledgeOf(told, {}, 'complaint');
        const [given] = [base.faults[f(1)] as AnyFault];
        const faults = { ...base.faults, [f(1)]: { ...given, repair: { ...given.repair, cures: cured.map(f) } } };
        const finding = find({ ...base, faults }, [{ seen: seenOf(told), said: [f(1)] }]);
        const net = ownOf(finding, told);
        const isOurs = (fault: number): boolean => fault === 1 || cured.includes(fault);
        const all = states(net, scaleOf(finding, net), [1]);
        const sum = (counts: Parameters<typeof likelihood>[2]): number =>
          all.reduce((total, state) => total + state.weight * likelihood(net, state, counts), 0);
        const z = sum(() => true);
        const enough = finding.enough();
        close(enough?.probability ?? 0, sum((heard) => heard !== null && isOurs(heard)) / z, 1e-12);
        close(enough?.alone ?? 0, sum((heard, spoke) => heard !== null && spoke.every(isOurs)) / z, 1e-12);
        close(enough?.withChance ?? 0, sum((_, spoke) => spoke.every(isOurs)) / z, 1e-12);
      }),
      { numRuns: 80 },
    );
  });

  test('of a given that was put right, what was told counts as told after it: owed to others, and never to chance', () => {
    fc.assert(
      fc.property(small({ min: 3, max: 6 }, 3), (drawn) => {
        const told: Small = { ...drawn, seen: drawn.seen.map((one) => (one === 'good' ? 'worse' : one)) };
        if (told.seen.every((one) => one === null)) return;
        const finding = find(knowledgeOf(told, {}, 'complaint'), [
          { seen: seenOf(told), said: [f(1)], repaired: f(1) },
          { seen: {} },
        ]);
        const net = ownOf(finding, told);
        /** Passed by in silence, or it showed this and was put right. */
        const passed = (look: number, outcome: string): number => {
          const [t] = nth(nth(net.speaks, 1), look);
          return 1 - t + t * shows(net, look, 1, outcome);
        };
        const all = states(net, scaleOf(finding, net), [1]).map(({ set, weight }) => {
          const others = set.filter((fault) => fault !== 1);
          const p = net.seen.reduce((product, outcome, look) => {
            if (outcome === null) return product;
            return (
              product *
              patterns(net, others, look).reduce(
                (sum, { heard, p: part }) =>
                  heard === null
                    ? sum
                    : sum + part * shows(net, look, heard, outcome) * (heard > 1 ? passed(look, outcome) : 1),
                0,
              )
            );
          }, 1);
          return { others, weight: weight * p };
        });
        const total = all.reduce((sum, { weight }) => sum + weight, 0);
        const by = finding.belief.marginals();
        for (const at of net.own.keys())
          if (at !== 1)
            close(
              by[at] ?? 0,
              all.reduce((sum, { others, weight }) => (others.includes(at) ? sum + weight : sum), 0) / total,
              1e-9,
            );
      }),
      { numRuns: 80 },
    );
  });

  test('what was seen is so: the odds of all else with it to all else without, times its own look', () => {
    fc.assert(
      fc.property(small({ min: 3, max: 6 }, 3), fc.double({ min: 0.01, max: 0.3, noNaN: true }), (drawn, misread) => {
        const net: Small = {
          ...drawn,
          seen: ['bad', ...drawn.seen.slice(1)],
          // Nobody else speaks to what is a fault itself.
          speaks: drawn.speaks.map((row, at) => [at === 1 ? ([0.9, 1] as const) : ([0, 0] as const), ...row.slice(1)]),
        };
        const seenAs: SeenAs[] = [
          { observation: o(0) as never, outcome: 'bad', fault: f(1) as never, misread, because: '' },
        ];
        const base = knowledgeOf(net, { seenAs });
        const faults = Object.fromEntries(
          Object.entries(base.faults).map(([id, fault]) => [
            id,
            id === f(1) ? fault : { ...fault, shows: { ...fault.shows, [o(0)]: undefined } },
          ]),
        );
        const finding = find({ ...base, faults }, [{ seen: seenOf(net) }]);
        const mine = ownOf(finding, net);
        const rest: Small = { ...mine, seen: [null, ...mine.seen.slice(1)] };
        const scale = scaleOf(finding, mine);
        const weigh = (list: readonly State[]): number =>
          list.reduce((sum, state) => sum + state.weight * likelihood(rest, state, () => true), 0);
        const withIt = weigh(states(mine, scale, [1]));
        const without = weigh(states(mine, scale, []).filter(({ set }) => !set.includes(1)));
        const figure = withIt / (withIt + misread * nth(mine.own, 1) * without);
        const [established] = finding.established;
        // Where the plain marginal leaves no doubt it stands for the figure.
        if (figure >= 0.91) close(established?.probability ?? 0, figure, 0.03);
        else if (figure < 0.87) expect(established).toBeUndefined();
      }),
      { numRuns: 80 },
    );
  });
});
