import { infer } from 'bayesjs';
import fc from 'fast-check';
import { FAULT_KNOWLEDGE, FAULTS, type Fault, type AnyObservation } from '../catalogue';
import { Finding, type Knowledge } from './index';
import { nth } from '../typed';

/**
 * Exact posteriors against a general Bayesian-network library (bayesjs, junction tree), built here from the noisy-or by itself
 * (Pearl, Probabilistic Reasoning in Intelligent Systems, 1988, section 4.3.2): with two outcomes, a cause that speaks with s and a leak
 * of 1 − h give P(healthy | causes) = h · Π(1 − s).
 */
interface Small {
  readonly odds: readonly number[];
  readonly healthy: readonly number[];
  /** By fault, by observation. */
  readonly speaks: readonly (readonly number[])[];
  readonly seen: readonly boolean[];
}

const name = (n: number): string => `f${n}`;
const look = (n: number): string => `o${n}`;

function knowledgeOf({ odds, healthy, speaks }: Small): Knowledge {
  const faults = odds.map((_, f): [string, Fault] => [
    name(f),
    {
      name: '',
      lane: 'fuel',
      family: '',
      perThousand: (1000 * nth(odds, f)) / (1 + nth(odds, f)),
      rank: f,
      shows: Object.fromEntries(healthy.map((__, o) => [look(o), { bad: nth(speaks[f], o) }])),
      repair: { title: '', minutes: 1, partsCents: 0 },
    },
  ]);
  const observations = healthy.map((h, o): [string, AnyObservation] => [
    look(o),
    {
      words: '',
      kind: 'look',
      minutes: 1,
      how: '',
      outcomes: { good: ['', h, ''], bad: ['', 1 - h, ''] },
      harmless: ['bad'],
    },
  ]);
  return {
    ...FAULT_KNOWLEDGE,
    faults: Object.fromEntries(faults),
    observations: Object.fromEntries(observations),
    sameFacts: [],
    standstills: [],
    tellsPast: [],
  };
}

function byLibrary({ odds, healthy, speaks, seen }: Small): number[] {
  const parents = odds.map((_, f) => name(f));
  const causes = odds.map(
    (o, f) =>
      [name(f), { id: name(f), states: ['T', 'F'], parents: [], cpt: { T: o / (1 + o), F: 1 / (1 + o) } }] as const,
  );
  const looks = healthy.map((h, o) => {
    const cpt = Array.from({ length: 2 ** odds.length }, (_, mask) => {
      const good = odds.reduce((p, __, f) => ((mask >> f) & 1 ? p * (1 - nth(speaks[f], o)) : p), h);
      return {
        when: Object.fromEntries(parents.map((id, f) => [id, (mask >> f) & 1 ? 'T' : 'F'])),
        then: { T: 1 - good, F: good },
      };
    });
    return [look(o), { id: look(o), states: ['T', 'F'], parents, cpt }] as const;
  });
  const network = Object.fromEntries([...causes, ...looks]) as never;
  const given = Object.fromEntries(seen.map((bad, o) => [look(o), bad ? 'T' : 'F']));
  return parents.map((id) => infer(network, { [id]: 'T' }, given));
}

const byUs = (small: Small): Float64Array =>
  new Finding(knowledgeOf(small), { engine: {}, past: {} }, [
    { seen: Object.fromEntries(small.seen.map((bad, o) => [look(o), bad ? 'bad' : 'good'])) },
  ]).belief.marginals();

const p = fc.double({ min: 0.02, max: 0.95, noNaN: true });
const small = fc.integer({ min: 1, max: 3 }).chain((faults) =>
  fc.integer({ min: 1, max: 5 }).chain((looks) =>
    fc.record({
      odds: fc.array(fc.double({ min: 0.002, max: 0.8, noNaN: true }), { minLength: faults, maxLength: faults }),
      healthy: fc.array(p, { minLength: looks, maxLength: looks }),
      speaks: fc.array(fc.array(p, { minLength: looks, maxLength: looks }), {
        minLength: faults,
        maxLength: faults,
      }),
      seen: fc.array(fc.boolean(), { minLength: looks, maxLength: looks }),
    }),
  ),
);

test('drawn two-outcome networks of up to three faults: all suspects within 1e-9 of the library', () => {
  fc.assert(
    fc.property(small, (net) => {
      const theirs = byLibrary(net);
      byUs(net).forEach((mine, f) => expect(Math.abs(mine - nth(theirs, f))).toBeLessThan(1e-9));
    }),
    { numRuns: 60 },
  );
});

test('three faults of the knowledge base itself, their observations folded into two outcomes', () => {
  const ids = ['main-jet-blocked', 'plug-fouled', 'rings-worn'] as const;
  const looks = ['starting', 'choke', 'under-load', 'plug-look'] as const;
  const net: Small = {
    odds: ids.map((id) => FAULTS[id].perThousand / (1000 - FAULTS[id].perThousand)),
    healthy: looks.map((id) => nth(Object.values(FAULT_KNOWLEDGE.observations[id].outcomes), 0)[1]),
    speaks: ids.map((id) =>
      looks.map((observation) =>
        Object.values(FAULTS[id].shows[observation] ?? {}).reduce((sum, part) => sum + part, 0),
      ),
    ),
    seen: [true, true, false, true],
  };
  const theirs = byLibrary(net);
  byUs(net).forEach((mine, f) => expect(Math.abs(mine - nth(theirs, f))).toBeLessThan(1e-9));
});
