import { FAULT_KNOWLEDGE } from '../catalogue';
import {
  compileModel,
  engineFamily,
  lessonsOf,
  taughtOdds,
  type Knowledge,
  type Learned,
  type ProvenCase,
} from './index';
import { engineOfFamily } from './machine';

const proven = (faults: readonly string[], more: Partial<ProvenCase> = {}): ProvenCase => ({
  classId: 'pressure-washer',
  family: 'coil-4-petrol',
  faults: faults.map((id) => [id, 1]),
  looks: [],
  cameBack: false,
  ...more,
});
const one = (cases: readonly ProvenCase[]) => {
  const [lesson] = lessonsOf(FAULT_KNOWLEDGE, cases);
  if (lesson === undefined) throw new Error('No lesson');
  return lesson;
};

describe('what proven cases teach', () => {
  test('by class and engine family', () => {
    const lessons = lessonsOf(FAULT_KNOWLEDGE, [
      proven(['plug-fouled']),
      proven(['plug-fouled'], { classId: 'welder' }),
      proven(['coil-failed'], { family: 'points-4-petrol' }),
      proven(['coil-failed']),
    ]);
    expect(lessons.map(({ classId, family, cases, counts }) => [classId, family, cases, counts])).toEqual([
      ['pressure-washer', 'coil-4-petrol', 2, { 'plug-fouled': 1, 'coil-failed': 1 }],
      ['welder', 'coil-4-petrol', 1, { 'plug-fouled': 1 }],
      ['pressure-washer', 'points-4-petrol', 1, { 'coil-failed': 1 }],
    ]);
  });

  test('what was brought about teaches its parent’s share, and not its own odds', () => {
    const { cases, counts, apart, brought } = one([
      proven(['dirt-in-tank', 'inlet-screen-blocked']),
      // Looked at, and clear.
      proven(['dirt-in-tank'], { looks: ['inlet-screen', 'fuel-look'] }),
      proven(['inlet-screen-blocked']),
    ]);
    expect([cases, counts]).toEqual([3, { 'dirt-in-tank': 2, 'inlet-screen-blocked': 1 }]);
    expect(apart['inlet-screen-blocked']).toBe(2);
    expect(brought['dirt-in-tank']).toEqual({ 'inlet-screen-blocked': { looked: 2, found: 1 } });
  });

  test('what came back soon teaches half, and is told', () => {
    const { cases, counts, cameBack } = one([proven(['plug-fouled'], { cameBack: true }), proven(['plug-fouled'])]);
    expect([cases, counts, cameBack]).toEqual([1.5, { 'plug-fouled': 1.5 }, { 'plug-fouled': 1 }]);
  });
});

describe('odds that were taught', () => {
  const machine = { classId: 'pressure-washer', engine: { carburettor: 'float', fuel: 'petrol' }, past: {} } as const;
  // Without strains, so that the figures can be reckoned by hand.
  const plain: Knowledge = {
    ...FAULT_KNOWLEDGE,
    faults: Object.fromEntries(
      Object.entries(FAULT_KNOWLEDGE.faults).map(([id, { strains: _, ...fault }]) => [id, fault]),
    ),
  };
  const modelOf = (learned?: Learned) => compileModel(plain, machine, learned);
  const ownOf = (learned: Learned | undefined, id: string): number => {
    const model = modelOf(learned);
    return model.prior.own[model.faultIds.indexOf(id)] ?? 0;
  };
  const shareOf = (learned: Learned | undefined, parent: string, child: string): number => {
    const model = modelOf(learned);
    const [g, f] = [parent, child].map((id) => model.faultIds.indexOf(id));
    return model.prior.brings[g ?? 0]?.find((link) => link.fault === f)?.share ?? 0;
  };

  test('own odds are worth sixty cases; a case with a parent does not count', () => {
    const before = ownOf(undefined, 'inlet-screen-blocked');
    const taught = { cases: 10, counts: { 'inlet-screen-blocked': 3 }, apart: { 'inlet-screen-blocked': 4 } };
    expect(ownOf(taught, 'inlet-screen-blocked')).toBeCloseTo((before * 60 + 3) / (60 + 6), 9);
  });

  test('a share is worth twenty cases in which the child was looked at', () => {
    const before = shareOf(undefined, 'dirt-in-tank', 'inlet-screen-blocked');
    expect(before).toBeCloseTo(0.4, 9);
    const brought = { 'dirt-in-tank': { 'inlet-screen-blocked': { looked: 5, found: 4 } } };
    const after = shareOf({ cases: 5, counts: {}, brought }, 'dirt-in-tank', 'inlet-screen-blocked');
    expect(after).toBeCloseTo((0.4 * 20 + 4) / 25, 9);
  });
});

describe('old and new odds side by side', () => {
  test('what was proven rises, what was looked at and clear sinks; what moved most stands first', () => {
    const { faults, links } = taughtOdds(
      FAULT_KNOWLEDGE,
      one([
        proven(['dirt-in-tank', 'inlet-screen-blocked']),
        proven(['dirt-in-tank'], { looks: ['fuel-filter'] }),
        proven(['plug-fouled'], { cameBack: true }),
      ]),
    );
    expect(faults.map(({ fault, cases }) => [fault, cases]).sort()).toEqual([
      ['dirt-in-tank', 2],
      ['inlet-screen-blocked', 1],
      ['plug-fouled', 0.5],
    ]);
    const dirt = faults.find(({ fault }) => fault === 'dirt-in-tank');
    expect(dirt?.after).toBeGreaterThan(dirt?.before ?? 1);
    expect(faults.find(({ fault }) => fault === 'plug-fouled')?.cameBack).toBe(1);
    const [screen, filter] = ['inlet-screen-blocked', 'filter-blocked'].map((id) =>
      links.find(({ child }) => child === id),
    );
    expect(screen?.after).toBeGreaterThan(screen?.before ?? 1);
    expect(filter?.after).toBeLessThan(filter?.before ?? 0);
    const moves = faults.map(({ before, after }) => Math.abs(after - before));
    expect(moves).toEqual([...moves].sort((a, b) => b - a));
  });

  test('a family names its engine', () => {
    expect(engineOfFamily('points-2-gas')).toEqual({ ignition: 'points', strokes: 2, fuel: 'gas' });
    for (const engine of [{ ignition: 'points' }, { strokes: 2, fuel: 'petrol' }, {}] as const)
      expect(engineFamily(engineOfFamily(engineFamily(engine)))).toBe(engineFamily(engine));
  });
});
