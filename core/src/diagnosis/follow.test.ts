import type { CompiledObservation } from './compiled';
import fc from 'fast-check';
import { FAULT_KNOWLEDGE, FAULTS, SCHOOLS, type FaultId } from '../catalogue';
import {
  byAdvice,
  bySchool,
  drawShowing,
  drawSpeakers,
  drawTrouble,
  Finding,
  follow,
  likelihoodOf,
  minutesBySchool,
  seeded,
  SimulatedRun,
  type Machine,
} from './index';
import { nth } from '../typed';

const engine: Machine = {
  engine: { ignition: 'coil', strokes: 4, fuel: 'petrol', carburettor: 'float', release: true, start: 'recoil' },
  past: {},
};
const find = (seen: Record<string, string>) => new Finding(FAULT_KNOWLEDGE, engine, [{ seen }]);
const looked = (finding: Finding, id: string): CompiledObservation => {
  const observation = finding.model.observations.get(id);
  if (observation === undefined) throw new Error(id);
  return observation;
};
const at = (finding: Finding, id: FaultId): number => finding.model.faultIds.indexOf(id);

describe('a run', () => {
  test('looks as the finding does, as far as its sets go', () => {
    const finding = find({ starting: 'hard', choke: 'needs-choke' });
    const run = new SimulatedRun(finding, finding.sets(100_000), []);
    run.look(looked(finding, 'fuel-look'), 'fresh');
    const exact = find({ starting: 'hard', choke: 'needs-choke', 'fuel-look': 'fresh' }).belief.marginals();
    const quick = run.marginals();
    exact.forEach((p, f) => expect(Math.abs(p - nth(quick, f))).toBeLessThan(5e-3));
  });

  test('leaves the finding that it began from alone', () => {
    const finding = find({ starting: 'hard' });
    const before = [...finding.belief.marginals()];
    const run = new SimulatedRun(finding, finding.sets(500), []);
    run.look(looked(finding, 'fuel-look'), 'stale');
    run.repair('stale-fuel');
    expect([...finding.belief.marginals()]).toEqual(before);
    expect(finding.seen).toEqual({ starting: 'hard' });
  });

  test('a repair takes its fault out, and whatever else the same repair puts right', () => {
    const finding = find({ starting: 'will-not-fire' });
    const run = new SimulatedRun(finding, finding.sets(2000), []);
    expect(run.repair('plug-fouled').sort()).toEqual(['plug-fouled', 'plug-worn-or-cracked']);
    expect(run.marginals()[at(finding, 'plug-worn-or-cracked')]).toBe(0);
    expect(run.setUpsDone).toContain('plug-out');
  });
});

describe('drawing', () => {
  test('a fault shows about as often as the data says', () => {
    const finding = find({});
    const observation = looked(finding, 'fuel-look');
    const random = seeded(5);
    const shown = Array.from(
      { length: 4000 },
      () => drawShowing(observation, [at(finding, 'stale-fuel')], random).outcome,
    );
    const share = shown.filter((outcome) => outcome === 'stale').length / shown.length;
    expect(share).toBeGreaterThan((FAULTS['stale-fuel'].shows['fuel-look']?.['stale'] ?? 0) - 0.03);
    expect(share).toBeLessThan((FAULTS['stale-fuel'].shows['fuel-look']?.['stale'] ?? 0) + 0.03);
  });

  test('who spoke, given what was shown: nobody who cannot show it, and the masked stay masked', () => {
    const finding = find({});
    const starting = looked(finding, 'starting');
    const [seized, stale] = [at(finding, 'rings-seized'), at(finding, 'stale-fuel')];
    const random = seeded(7);
    for (let n = 0; n < 200; n++) {
      const heard = drawSpeakers(likelihoodOf(starting, 'will-not-turn'), [stale, seized], random)[0];
      expect([seized, undefined]).toContain(heard);
    }
  });

  test('a machine drawn has a complaint that a fault of it speaks to', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1_000_000 }), (seed) => {
        const { finding, trouble } = drawTrouble(FAULT_KNOWLEDGE, engine, seeded(seed));
        expect(Object.keys(finding.seen).length).toBeGreaterThan(0);
        expect(Object.keys(finding.seen).length).toBeLessThanOrEqual(3);
        for (const speakers of trouble.complaints)
          for (const fault of speakers) expect(trouble.faults).toContain(fault);
      }),
      { numRuns: 12 },
    );
  });
});

describe('following a way to the end', () => {
  const trouble = (finding: Finding, id: FaultId) => ({ faults: [at(finding, id)], complaints: [[at(finding, id)]] });

  test.each(['fuel-low', 'tap-off', 'switch-off', 'plug-gap-wide', 'choke-stuck'] as const)(
    '%s is found and confirmed, in fewer steps than there are checks',
    (id) => {
      const finding = find({ starting: id === 'choke-stuck' || id === 'plug-gap-wide' ? 'hard' : 'will-not-fire' });
      const ended = follow(
        new SimulatedRun(finding, finding.sets(1500), []),
        trouble(finding, id),
        byAdvice(),
        seeded(11),
      );
      expect(ended.cured).toBe(true);
      expect(ended.confirmed).toContain(id);
      expect(ended.steps).toBeLessThan(30);
    },
  );

  test('the same machine, the same numbers: the same minutes', () => {
    const finding = find({ starting: 'will-not-fire' });
    const minutes = () =>
      follow(
        new SimulatedRun(finding, finding.sets(800), []),
        trouble(finding, 'coil-failed'),
        bySchool(nth(SCHOOLS, 0)),
        seeded(3),
      ).minutes;
    expect(minutes()).toBe(minutes());
  });

  test('a school keeps to its order, passing over what the machine has not', () => {
    const finding = find({ starting: 'will-not-fire' });
    const run = new SimulatedRun(finding, finding.sets(800), []);
    const school = nth(
      SCHOOLS.filter((entry) => entry.id === 'easy-first'),
      0,
    );
    const choice = bySchool(school)(run);
    expect(choice).toEqual({ kind: 'check', id: school.order[0] });
  });

  test('what is off already makes every school quicker', () => {
    const finding = find({ starting: 'hard', choke: 'needs-choke' });
    const total = (setUps: string[]) =>
      Object.values(
        minutesBySchool(finding, { setUpsDone: new Set(setUps), toolsAtHand: null }, SCHOOLS, 12, seeded(2)),
      ).reduce((sum, value) => sum + value, 0);
    expect(total(['bowl-off', 'carb-off', 'plug-out', 'cowl-off', 'flywheel-off'])).toBeLessThan(total([]));
  });
});
