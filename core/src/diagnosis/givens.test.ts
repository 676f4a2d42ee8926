import { FAULT_KNOWLEDGE } from '../catalogue';
import { nth } from '../typed';
import {
  byAdvice,
  byPlan,
  bySchool,
  diagnose,
  Finding,
  follow,
  outcomesOf,
  Prices,
  COSTS,
  SimulatedRun,
  seeded,
  timeLeft,
  type Chapter,
  type Machine,
} from './index';

/** What stands in every set is seen in all that is said of a finding. */
const WASHER: Machine = { classId: 'pressure-washer', engine: { carburettor: 'float', fuel: 'petrol' }, past: {} };
const bench = { setUpsDone: new Set<string>(), toolsAtHand: null };
const find = (...chapters: Chapter[]) => new Finding(FAULT_KNOWLEDGE, WASHER, chapters);
const SCREEN = { 'runs-for': '10-to-30-min', 'inlet-screen': 'dirty' };

describe('a fault that is given', () => {
  const finding = find({ seen: SCREEN });
  const result = diagnose(finding, bench);

  test('stands in each of the likeliest sets', () => {
    expect(result.sets[0]?.faults).toEqual(['inlet-screen-blocked']);
    for (const { faults } of result.sets) expect(faults).toContain('inlet-screen-blocked');
    expect(result.sets.reduce((sum, set) => sum + set.probability, 0)).toBeLessThanOrEqual(1 + 1e-9);
  });

  test('makes its lane suspect until it is put right', () => {
    const fuel = (of: Finding) => diagnose(of, bench).lanes.find(({ lane }) => lane === 'fuel');
    expect(fuel(finding)).toMatchObject({ state: 'suspect', probability: 1 });
    const lone = find({ seen: { 'plug-seat': 'loose' } });
    expect(diagnose(lone, bench).lanes.find(({ lane }) => lane === 'compression')).toMatchObject({
      state: 'suspect',
      probability: 1,
    });
    const after = find({ seen: { 'plug-seat': 'loose' }, repaired: 'plug-loose' }, { seen: {} });
    expect(diagnose(after, bench).lanes.find(({ lane }) => lane === 'compression')?.probability).toBeLessThan(1);
  });

  test('shows as often as all do: a check does not tell it from the others', () => {
    const { now, under } = outcomesOf(finding, 'fuel-filter', ['inlet-screen-blocked', 'filter-blocked']);
    nth([under['inlet-screen-blocked'] ?? []], 0).forEach((part, at) => expect(part).toBeCloseTo(nth(now, at), 12));
    for (const row of [now, ...Object.values(under)])
      expect(row.reduce((sum, part) => sum + part, 0)).toBeCloseTo(1, 9);
    expect(under['filter-blocked']?.[1]).toBeGreaterThan(0.8);
  });

  test('costs its repair on the way to the end', () => {
    const prices = new Prices(finding.model, FAULT_KNOWLEDGE, bench, { open: new Set(), seen: new Set() }, COSTS);
    expect(result.expectedMinutes).toBeGreaterThan(prices.repairCost('inlet-screen-blocked'));
    expect(timeLeft(finding, bench, 24, seeded(1)).low).toBeGreaterThanOrEqual(9);
  });

  test('is put right first, by the plan and by every school, and counts as confirmed', () => {
    const places = ['inlet-screen-blocked', 'cap-vent-blocked'].map((id) => finding.model.faultIds.indexOf(id));
    const trouble = { faults: places, complaints: [places] };
    const school = { id: 'x', words: '', order: ['cap-vent', 'fuel-look'] as const };
    for (const way of [byPlan(), byAdvice(), bySchool(school)]) {
      const chosen: string[] = [];
      const run = new SimulatedRun(finding, finding.sets(800), []);
      const ended = follow(
        run,
        trouble,
        (state) => {
          const choice = way(state);
          chosen.push(`${choice?.kind} ${choice?.id}`);
          return choice;
        },
        seeded(5),
      );
      expect(chosen[0]).toBe('repair inlet-screen-blocked');
      expect(chosen.filter((one) => one === 'repair inlet-screen-blocked')).toHaveLength(1);
      expect(ended.cured).toBe(true);
      expect(ended.confirmed).toEqual(expect.arrayContaining(['inlet-screen-blocked', 'cap-vent-blocked']));
    }
  });

  test('put right while the trouble stays: something else is wrong', () => {
    const run = new SimulatedRun(finding, finding.sets(800), []);
    const none = (): number => run.marginals()[finding.model.faultIds.length] ?? 0;
    expect(none()).toBeGreaterThan(0.1);
    run.repair('inlet-screen-blocked');
    expect(none()).toBe(0);
    expect(run.marginals().reduce((most, p) => Math.max(most, p), 0)).toBeGreaterThan(0);
  });

  test('what was told before counts as told after the repair: it is owed to something unseen', () => {
    const after = find({ seen: SCREEN, repaired: 'inlet-screen-blocked' }, { seen: {} });
    expect(after.belief.weights[0]).toBeLessThan(1e-6);
    const speaks = after.model.observations.get('runs-for');
    const by = after.belief.marginals();
    // Nearly all of the weight lies on faults that can make it die after a while.
    const silent = [...by].reduce((sum, p, f) => ((speaks?.silent[f] ?? 1) < 1 ? sum : Math.max(sum, p)), 0);
    const speaking = [...by].reduce((sum, p, f) => ((speaks?.silent[f] ?? 1) < 1 ? sum + p : sum), 0);
    expect(speaking).toBeGreaterThan(0.99);
    expect(silent).toBeLessThan(0.3);
  });

  test('put right, it bears on no look that is made afterwards, and on nothing that was told to be well', () => {
    const after = find(
      { seen: { ...SCREEN, starting: 'starts' }, repaired: 'inlet-screen-blocked' },
      { seen: { 'bowl-drain': 'empty' } },
    );
    const healthy = (of: Finding, id: string, outcome: string): number | undefined => {
      const observation = of.model.observations.get(id);
      return observation?.healthy[observation.outcomes.indexOf(outcome)];
    };
    const shown = (of: Finding, id: string) => of.showings.find((one) => one.observation === id)?.likelihood;
    expect(shown(after, 'bowl-drain')?.healthy).toBe(healthy(after, 'bowl-drain', 'empty'));
    const before = find({ seen: { ...SCREEN, 'bowl-drain': 'empty' } });
    expect(shown(before, 'bowl-drain')?.healthy).toBeGreaterThan(10 * (healthy(before, 'bowl-drain', 'empty') ?? 1));
    expect(shown(after, 'starting')?.healthy).toBeGreaterThan(0.5);
    expect(after.established).toEqual([expect.objectContaining({ id: 'inlet-screen-blocked', repairedIn: 0 })]);
    // What was seen before can still be weighed by itself: nothing unseen was put right.
    expect(after.sinceRepair.map((one) => one.observation)).toContain('runs-for');
  });

  test('where it is not enough by itself, it is put right first if that is quicker than looking on', () => {
    const quick = diagnose(find({ seen: { starting: 'hard', 'plug-seat': 'loose' } }), bench);
    expect(quick.enough?.probability).toBeLessThan(0.8);
    expect(quick.next[0]).toMatchObject({ id: 'plug-loose', given: true, now: true });
    const other = diagnose(find({ seen: { starting: 'will-not-fire', 'nozzle-flow': 'worn' } }), bench);
    expect(other.next[0]).toMatchObject({ kind: 'check' });
    expect(other.next.find((step) => step.given)?.now).toBeUndefined();
  });

  test('evidence for it is its own look', () => {
    expect(result.evidence['inlet-screen-blocked']).toEqual([
      expect.objectContaining({ observation: 'inlet-screen', outcome: 'dirty' }),
    ]);
    expect(result.evidence['inlet-screen-blocked']?.[0]?.logRatio).toBeGreaterThan(5);
  });
});

test('a brought-about fault raises what brings it about, and a parent that is given raises its children', () => {
  const chance = (seen: Chapter['seen'], id: string): number => {
    const finding = find({ seen });
    return finding.belief.marginals()[finding.model.faultIds.indexOf(id)] ?? 0;
  };
  expect(chance({ 'inlet-screen': 'dirty' }, 'dirt-in-tank')).toBeGreaterThan(3 * chance({}, 'dirt-in-tank'));
  expect(chance({ 'bowl-look': 'varnish' }, 'pilot-jet-blocked')).toBeGreaterThan(0.35);
  expect(chance({ 'bowl-look': 'varnish' }, 'coil-failed')).toBeLessThan(2 * chance({}, 'coil-failed'));
});

test('where it is not known whether an engine has the part, it is brought about in that share of them', () => {
  const brought = (machine: Machine): number | undefined => {
    const { faultIds, prior } = new Finding(FAULT_KNOWLEDGE, machine, []).model;
    const [from, to] = ['battery-weak', 'fuel-solenoid-no-power'].map((id) => faultIds.indexOf(id));
    return prior.brings[from ?? -1]?.find((link) => link.fault === to)?.share;
  };
  const known = brought({
    engine: { start: 'electric', fuel: 'petrol', throttle: 'electronic', carburettor: 'float' },
    past: {},
  });
  const unknown = brought({ engine: {}, past: {} });
  expect(known).toBeCloseTo(0.12, 9);
  expect(unknown).toBeGreaterThan(0);
  expect(unknown).toBeLessThan(known ?? 0);
});
