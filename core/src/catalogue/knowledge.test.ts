import {
  CAUTIONS,
  COMPLAINTS,
  CONSEQUENCES_OF_FAULTS,
  entryOf,
  FAULT_IDS,
  FAULTS,
  FORMER_FAULTS,
  formerlyOf,
  presentFault,
  MISLEADING,
  OBSERVATION_IDS,
  OBSERVATIONS,
  SAME_FACTS,
  SCHOOLS,
  SET_UPS,
  STRAINS,
  TOOLS,
  type AnyFault,
  type AnyObservation,
} from './index';
import vocabulary from './vocabulary.json';

const faults: readonly (readonly [string, AnyFault])[] = Object.entries(FAULTS);
const observations: readonly (readonly [string, AnyObservation])[] = Object.entries(OBSERVATIONS);
const known = (id: string): AnyObservation => {
  const found = entryOf<AnyObservation>(OBSERVATIONS, id);
  if (found === undefined) throw new Error(`No observation ${id}`);
  return found;
};

const sumOf = (parts: Readonly<Record<string, number | undefined>> = {}): number =>
  Object.values(parts).reduce<number>((sum, part) => sum + (part ?? 0), 0);

describe('the fixed vocabulary of case files', () => {
  test('every fault is there, none is renamed', () => {
    for (const id of vocabulary.faults)
      expect(FAULT_IDS).toEqual(expect.arrayContaining([...(FORMER_FAULTS[id]?.now ?? [id])]));
  });
  test('one that is two now is known by its former name, and is no fault of its own', () => {
    expect(presentFault('fuel-low-or-off')).toBe('fuel-low');
    expect(presentFault('coil-failed')).toBe('coil-failed');
    expect(['fuel-low', 'tap-off', 'coil-failed'].map(formerlyOf)).toEqual([
      'fuel-low-or-off',
      'fuel-low-or-off',
      undefined,
    ]);
    for (const former of Object.keys(FORMER_FAULTS)) expect(FAULT_IDS).not.toContain(former);
  });
  test.each(Object.entries(vocabulary.observations))('%s has its outcomes, the healthy one first', (id, outcomes) => {
    const have = Object.keys(known(id).outcomes);
    expect(have[0]).toBe(outcomes[0]);
    expect(have).toEqual(expect.arrayContaining(outcomes));
  });
});

describe.each(faults)('%s', (id, fault) => {
  test('speaks to two observations or more, each of them known, never with the healthy outcome, never to more than one', () => {
    expect(Object.keys(fault.shows).length).toBeGreaterThanOrEqual(2);
    for (const [observation, parts] of Object.entries(fault.shows)) {
      const [healthy, ...others] = Object.keys(known(observation).outcomes);
      for (const [outcome, part] of Object.entries(parts ?? {})) {
        expect([id, observation, outcome, others.includes(outcome), outcome === healthy]).toEqual([
          id,
          observation,
          outcome,
          true,
          false,
        ]);
        expect(part).toBeGreaterThan(0);
      }
      expect(sumOf(parts)).toBeLessThanOrEqual(0.99);
    }
  });

  test('has odds, a repair, and names only what exists', () => {
    expect(fault.perThousand).toBeGreaterThan(0);
    expect(fault.repair.minutes).toBeGreaterThan(0);
    for (const setUp of fault.repair.setUps ?? []) expect(Object.keys(SET_UPS)).toContain(setUp);
    for (const strain of Object.keys(fault.strains ?? {})) expect(STRAINS).toContain(strain);
    if (fault.caution) expect(Object.keys(CAUTIONS)).toContain(fault.caution);
    for (const consequence of fault.consequences ?? [])
      expect(Object.keys(CONSEQUENCES_OF_FAULTS)).toContain(consequence);
  });

  test('one look settles it: some observation that it speaks to nearly always', () => {
    // Left out: what is only told apart by elimination.
    const byElimination = [
      'earth-poor',
      'mixture-misset',
      'plug-cap-contact',
      'coil-failed',
      'coil-fails-hot',
      'valve-lash-wide',
      'release-stuck',
      'idle-misset',
    ];
    const strongest = Math.max(...Object.values(fault.shows).map((parts) => sumOf(parts)));
    if (!byElimination.includes(id)) expect(strongest).toBeGreaterThanOrEqual(0.8);
  });
});

describe.each(observations)('%s', (id, observation) => {
  test('is spoken to, explains each outcome, and names only what exists', () => {
    expect(faults.some(([, fault]) => fault.shows[id] !== undefined)).toBe(true);
    expect(observation.how.length).toBeGreaterThan(10);
    expect(observation.minutes).toBeGreaterThan(0);
    const entries = Object.values(observation.outcomes);
    expect(entries.length).toBeGreaterThanOrEqual(2);
    for (const [words, healthy, means] of entries)
      expect([words.length > 0, healthy > 0, means.length > 0]).toEqual([true, true, true]);
    expect(Math.max(...entries.map((entry) => entry[1]))).toBe(entries[0]?.[1]);
    for (const setUp of observation.setUps ?? []) expect(Object.keys(SET_UPS)).toContain(setUp);
    for (const tool of observation.tools ?? []) expect(Object.keys(TOOLS)).toContain(tool);
    if (observation.caution) expect(Object.keys(CAUTIONS)).toContain(observation.caution);
    for (const reason of observation.innocent ?? [])
      expect(Object.keys(observation.outcomes)).toContain(reason.outcome);
  });
});

test('same facts, schools, complaints and warnings name known observations and outcomes', () => {
  for (const { first, second, outcomes } of SAME_FACTS) {
    expect(OBSERVATION_IDS).toContain(first);
    for (const outcome of outcomes) expect(Object.keys(known(second).outcomes)).toContain(outcome);
  }
  for (const school of SCHOOLS) {
    expect(new Set(school.order).size).toBe(school.order.length);
    for (const id of school.order) expect(OBSERVATION_IDS).toContain(id);
  }
  for (const { shows } of COMPLAINTS)
    if (shows) expect(Object.keys(known(shows.observation).outcomes)).toContain(shows.outcome);
  for (const rule of MISLEADING) {
    for (const { observation, outcomes } of rule.seen.flat())
      for (const outcome of outcomes ?? []) expect(Object.keys(known(observation).outcomes)).toContain(outcome);
    for (const observation of rule.unless ?? []) expect(OBSERVATION_IDS).toContain(observation);
  }
  expect(new Set(MISLEADING.map((rule) => rule.code)).size).toBe(MISLEADING.length);
});
