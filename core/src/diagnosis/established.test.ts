import {
  BRINGS,
  entryOf,
  FAULT_KNOWLEDGE,
  FAULTS,
  OBSERVATIONS,
  SEEN_AS,
  type AnyFault,
  type AnyObservation,
} from '../catalogue';
import { ENGINE_TRAITS } from '../catalogue/shapes';
import { keysOf } from '../typed';
import { byPlan, diagnose, Finding, SimulatedRun, type Chapter, type Machine } from './index';

const known = (id: string): AnyObservation => {
  const found = entryOf<AnyObservation>(OBSERVATIONS, id);
  if (found === undefined) throw new Error(id);
  return found;
};
const faultOf = (id: string): AnyFault => {
  const found = entryOf<AnyFault>(FAULTS, id);
  if (found === undefined) throw new Error(id);
  return found;
};
const WASHER: Machine = { classId: 'pressure-washer', engine: { carburettor: 'float', fuel: 'petrol' }, past: {} };
const find = (chapters: readonly Chapter[], machine = WASHER) => new Finding(FAULT_KNOWLEDGE, machine, chapters);
const figure = (finding: Finding, id: string): number =>
  finding.established.find((one) => one.id === id)?.probability ?? 0;

/** A machine that can have the fault and be looked at so. */
function machineFor(fault: string, observation: string): Machine {
  const whens = [faultOf(fault).when, known(observation).when];
  const engine = Object.fromEntries(
    keysOf(ENGINE_TRAITS).flatMap((trait) => {
      const wanted = whens.map((when) => when?.[trait]?.[0]).find((value) => value !== undefined);
      return wanted === undefined ? [] : [[trait, wanted]];
    }),
  );
  return {
    classId: whens.map((when) => when?.classes?.[0]).find((id) => id !== undefined) ?? 'pressure-washer',
    engine,
    past: {},
  };
}

/** What a hirer tells of it, most often first. */
const toldOf = (fault: string, but: string): (readonly [string, string])[] =>
  Object.entries(faultOf(fault).shows)
    .filter(([id]) => id !== but && known(id).kind === 'complaint' && id !== 'last-repair')
    .flatMap(([id, parts]) => Object.entries(parts ?? {}).map(([outcome, share]) => [id, outcome, share ?? 0] as const))
    .sort((x, y) => y[2] - x[2])
    .map(([id, outcome]) => [id, outcome] as const);

describe.each(SEEN_AS.map((entry) => [`${entry.observation}: ${entry.outcome}`, entry] as const))(
  'what is seen is so: %s',
  (_, { observation, outcome, fault, after = [], misread, because }) => {
    const seenWith = (...told: (readonly [string, string])[]): number => {
      const seen = Object.fromEntries([
        ...told,
        ...after.map((one) => [one.observation, one.outcome] as const),
        [observation, outcome],
      ]);
      return figure(find([{ seen }], machineFor(fault, observation)), fault);
    };
    const told = toldOf(fault, observation);
    test('at least 0.95 with what fits it best, and 0.9 with what it also brings about', () => {
      expect(seenWith(...told.slice(0, 1))).toBeGreaterThanOrEqual(0.95);
      // The second and the last stand for the rest.
      for (const one of [...told.slice(1, 2), ...told.slice(-1)]) expect(seenWith(one)).toBeGreaterThanOrEqual(0.9);
    });
    test('no other fault shows it, and it is misread in few cases, with a word why', () => {
      if (after.length > 0) return;
      const others = Object.entries<AnyFault>(FAULTS).filter(
        ([id, entry]) => id !== fault && entry.shows[observation]?.[outcome] !== undefined,
      );
      expect(others.map(([id]) => id)).toEqual([]);
      expect(faultOf(fault).shows[observation]?.[outcome]).toBeGreaterThan(0);
      expect([misread > 0, misread <= 0.1, because.length > 5]).toEqual([true, true, true]);
    });
  },
);

test('what brings what about names faults, and goes in no circle', () => {
  const below = (id: string, path: readonly string[]): void => {
    expect(path).not.toContain(id);
    for (const child of Object.keys(entryOf<object>(BRINGS, id) ?? {})) below(child, [...path, id]);
  };
  for (const id of keysOf(BRINGS)) below(id, []);
  for (const children of Object.values(BRINGS))
    for (const [child, share] of Object.entries(children)) {
      expect(entryOf(FAULTS, child)).toBeDefined();
      expect(share > 0 && share <= 0.9).toBe(true);
    }
});

/** What a mechanic would say of it (common practice). */
describe('is that enough?', () => {
  const enough = (seen: Readonly<Record<string, string>>, machine = WASHER) =>
    find([{ seen }], machine).enough()?.probability ?? 0;
  const SNOWBLOWER: Machine = { classId: 'snowblower', engine: {}, past: {} };

  test('a blocked screen explains that it dies after a quarter of an hour; not that it also idles roughly', () => {
    expect(enough({ 'runs-for': '10-to-30-min', 'inlet-screen': 'dirty' })).toBeGreaterThanOrEqual(0.8);
    expect(enough({ 'runs-for': '10-to-30-min', 'inlet-screen': 'dirty', idle: 'rough' })).toBeLessThan(0.05);
  });
  test('a worn scraper does not explain an engine that will not fire; a sheared key explains that and a kick-back', () => {
    expect(enough({ starting: 'will-not-fire', 'scraper-skids': 'worn' }, SNOWBLOWER)).toBeLessThan(0.05);
    expect(enough({ starting: 'will-not-fire', 'kick-back': 'yes', 'flywheel-key': 'sheared' })).toBeGreaterThanOrEqual(
      0.9,
    );
  });
  test('while nothing is given there is no such question', () =>
    expect(find([{ seen: { starting: 'hard' } }]).enough()).toBeNull());
});

describe('after a repair', () => {
  const seen = { 'runs-for': '10-to-30-min', 'inlet-screen': 'dirty' };
  const next = (chapters: readonly Chapter[]) => diagnose(find(chapters), { setUpsDone: new Set(), toolsAtHand: null });

  test('what is given is put right first; when the trouble stays, it is known to have been there and is advised no more', () => {
    expect(next([{ seen }]).next[0]).toMatchObject({
      kind: 'repair',
      id: 'inlet-screen-blocked',
      given: true,
      now: true,
    });
    const after = next([{ seen, repaired: 'inlet-screen-blocked' }, { seen: {} }]);
    expect(after.established).toEqual([expect.objectContaining({ id: 'inlet-screen-blocked', isPutRight: true })]);
    expect(after.next.some((step) => step.id === 'inlet-screen-blocked')).toBe(false);
    expect(after.suspects.map((one) => one.id)).not.toContain('inlet-screen-blocked');
    expect(after.enough).toBeNull();
    // It was not nothing; and what blocks screens is likelier than before.
    expect(after.suspects.map((one) => one.id)).not.toContain('user-error');
    const dirt = (list: typeof after.suspects): number =>
      list.find((one) => one.id === 'dirt-in-tank')?.probability ?? 0;
    expect(dirt(after.suspects)).toBeGreaterThan(dirt(next([{ seen: { 'runs-for': '10-to-30-min' } }]).suspects));
  });

  test('a look that is made anew counts instead of the old one, unless what was put right bears on it', () => {
    const anew = find([
      { seen: { 'spark-open-plug': 'none', starting: 'hard' }, repaired: 'main-jet-blocked' },
      { seen: { 'spark-open-plug': 'blue' } },
    ]);
    expect(anew.showings.filter((one) => one.observation === 'spark-open-plug').map((one) => one.outcome)).toEqual([
      'blue',
    ]);
    const both = find([
      { seen: { choke: 'needs-choke' }, repaired: 'main-jet-blocked' },
      { seen: { choke: 'runs-off-choke' } },
    ]);
    expect(both.showings.map((one) => one.outcome)).toEqual(['needs-choke', 'runs-off-choke']);
  });

  test('said to be so without a look, it stands like what was seen', () => {
    const finding = find([{ seen: { starting: 'will-not-fire' }, said: ['coil-failed'] }]);
    expect(finding.established).toEqual([expect.objectContaining({ id: 'coil-failed', by: 'word', probability: 1 })]);
    expect(finding.enough()?.probability).toBeGreaterThan(0.8);
  });
});

describe('that nothing is wrong', () => {
  const nothing = (seen: Readonly<Record<string, string>>): number =>
    diagnose(find([{ seen }]), { setUpsDone: new Set(), toolsAtHand: null }).suspects.find(
      (one) => one.id === 'user-error',
    )?.probability ?? 0;

  test('is about one in ten of what is told, less of a kick-back, more where nothing amiss was told', () => {
    expect(nothing({ starting: 'hard' })).toBeCloseTo(0.1, 9);
    expect(nothing({ starting: 'hard', 'kick-back': 'yes' })).toBeCloseTo(0.02, 9);
    expect(nothing({ starting: 'starts' })).toBeCloseTo(0.3, 9);
  });
  test('is out once a reading is out', () => {
    expect(nothing({ starting: 'hard', compression: 'worn' })).toBe(0);
    expect(nothing({ starting: 'hard', compression: 'acceptable' })).toBeGreaterThan(0.05);
  });
});

describe('the next step', () => {
  const steps = (seen: Readonly<Record<string, string>>, machine = WASHER) =>
    diagnose(find([{ seen }], machine), { setUpsDone: new Set(), toolsAtHand: null }).next;

  test.each<Readonly<Record<string, string>>>([
    { starting: 'will-not-fire' },
    { starting: 'hard' },
    { starting: 'fires-then-dies', choke: 'needs-choke' },
    { 'under-load': 'bogs' },
    { smoke: 'blue' },
    { 'runs-for': '2-to-10-min' },
    { pressure: 'low' },
  ])('never costs more than it saves while one does not: %j', (seen) => {
    const [first] = steps(seen);
    expect(first?.expectedSaving).toBeGreaterThanOrEqual(0);
  });

  test('nor after twenty looks at what is well: then it is the plan’s own look or repair', () => {
    const seen: Record<string, string> = { pressure: 'low' };
    const repairs = new Set<string>();
    for (let n = 0; n < 20; n++) {
      const finding = find([{ seen }]);
      const [first] = diagnose(finding, { setUpsDone: new Set(), toolsAtHand: null }).next;
      expect(first?.expectedSaving).toBeGreaterThanOrEqual(0);
      if (first?.kind !== 'check') {
        repairs.add(first?.id ?? '');
        break;
      }
      seen[first.id] = finding.model.observations.get(first.id)?.outcomes[0] ?? '';
    }
    for (const id of repairs) expect(id).toMatch(/^(pump|unloader|nozzle)/);
  });

  test.each([
    [{ idle: 'too-fast' }, 'linkage'],
    [{ starting: 'will-not-turn' }, 'battery'],
  ])('a dear repair that nobody can look for is not the plan’s first: %j', (seen, look) => {
    const finding = find([{ seen }]);
    expect(byPlan()(new SimulatedRun(finding, finding.sets(800), []))).toEqual({ kind: 'check', id: look });
  });

  test('stale fuel that was seen is put right before long looking on', () => {
    const at = steps({ starting: 'will-not-fire', 'fuel-look': 'stale', 'spark-inline': 'steady' }).findIndex(
      (step) => step.id === 'stale-fuel',
    );
    expect(at).toBeLessThan(2);
  });

  test('where it hisses is heard with the leak-down, not before it', () => {
    expect(steps({ compression: 'worn' }).map((step) => step.id)).not.toContain('leak-place');
    expect(steps({ compression: 'worn', 'leak-down': 'failed' }).map((step) => step.id)).toContain('leak-place');
  });

  test('an engine that must not be started is not asked to turn; one that runs is not asked how it starts', () => {
    const over = steps({ 'oil-level': 'over-full', 'oil-look': 'smells-of-fuel' }).map((step) => step.id);
    expect(over).not.toContain('starting');
    expect(over).not.toContain('fuel-put-in');
    // Nor to run.
    for (const id of ['idle', 'under-load', 'runs-for', 'pressure']) expect(over).not.toContain(id);
    expect(steps({ idle: 'hunts' }).map((step) => step.id)).not.toContain('fuel-put-in');
  });
});
