import { placeInLimit } from '../verdict';
import {
  CAUTIONS,
  checksOf,
  classOf,
  CLASSES,
  COMPLAINTS,
  complaintsOf,
  DERIVED_FINDINGS,
  ENDED,
  entryOf,
  OBSERVATIONS,
  type AnyObservation,
  type MachineClass,
  type RaisedWork,
  type Shown,
} from './index';

const CLASS_LIST: readonly MachineClass[] = CLASSES;
const everyShown = (): Shown[] => [
  ...CLASS_LIST.flatMap(checksOf).flatMap((check) => [
    ...check.exceptions.flatMap((entry) => entry.shows ?? []),
    ...(check.showsWhenOk ? [check.showsWhenOk] : []),
  ]),
  ...[...COMPLAINTS, ...ENDED].flatMap((complaint) => complaint.shows ?? []),
  ...DERIVED_FINDINGS.flatMap((rule) => [
    ...rule.when.flatMap((condition) => ('shown' in condition ? [condition.shown] : [])),
    ...(rule.replaces ?? []),
  ]),
];

describe.each(CLASS_LIST.map((entry) => [entry.id, entry] as const))('%s', (_id, machineClass) => {
  const checks = checksOf(machineClass);

  test('12 to 25 checks on four to six stations', () => {
    expect(checks.length).toBeGreaterThanOrEqual(12);
    expect(checks.length).toBeLessThanOrEqual(25);
    expect(machineClass.stations.length).toBeGreaterThanOrEqual(4);
    expect(machineClass.stations.length).toBeLessThanOrEqual(6);
  });

  test('check and station ids are unique', () => {
    expect(new Set(checks.map((check) => check.id)).size).toBe(checks.length);
    expect(new Set(machineClass.stations.map((station) => station.id)).size).toBe(machineClass.stations.length);
  });

  test('every station has an ordinary check, so that one tap can pass it', () => {
    for (const station of machineClass.stations)
      expect(station.checks.some((check) => check.kind === 'ordinary')).toBe(true);
  });

  test('every safety exception holds (common practice: safety stops); a label or a starter cord is put right first', () => {
    const first = ['labels', 'starter-cord'];
    for (const check of checks.filter((entry) => first.includes(entry.id)))
      for (const entry of check.exceptions)
        expect([check.kind, entry.consequence]).toEqual(['safety', 'fix-before-hire']);
    for (const check of checks.filter((entry) => entry.kind === 'safety' && !first.includes(entry.id)))
      for (const entry of check.exceptions) expect([check.id, entry.consequence]).toEqual([check.id, 'hold']);
  });

  test('what holds or must be fixed raises work, so that it can be ended', () => {
    for (const check of checks)
      for (const entry of check.exceptions)
        if (entry.consequence === 'hold' || entry.consequence === 'fix-before-hire')
          expect([check.id, entry.id, entry.raises !== undefined]).toEqual([check.id, entry.id, true]);
  });

  test('exceptions differ within a check, and cautions exist', () => {
    for (const check of checks) {
      expect(new Set(check.exceptions.map((entry) => entry.id)).size).toBe(check.exceptions.length);
      for (const caution of [check.caution, ...check.exceptions.map((entry) => entry.caution)])
        if (caution) expect(Object.keys(CAUTIONS)).toContain(caution);
    }
  });

  test('measured checks: at, just under and just over each limit', () => {
    for (const { id, measured, exceptions } of checks) {
      if (!measured) continue;
      const { limit } = measured;
      expect(limit.source.kind).toBeTruthy();
      if (limit.kind !== 'at-most')
        expect([id, placeInLimit(limit.min, limit), placeInLimit(limit.min - 1e-6, limit)]).toEqual([id, 'in', 'low']);
      if (limit.kind !== 'at-least')
        expect([id, placeInLimit(limit.max, limit), placeInLimit(limit.max + 1e-6, limit)]).toEqual([id, 'in', 'high']);
      for (const named of [measured.low, measured.high])
        if (named) expect(exceptions.map((entry) => entry.id)).toContain(named);
    }
  });

  test('kit is priced, and every complaint it offers exists', () => {
    for (const item of machineClass.kit) expect(item.priceCents).toBeGreaterThan(0);
    expect(complaintsOf(machineClass).length).toBe(new Set(machineClass.complaints).size);
  });
});

test('class ids and tag letters are unique', () => {
  expect(new Set(CLASS_LIST.map((entry) => entry.id)).size).toBe(CLASS_LIST.length);
  expect(new Set(CLASS_LIST.map((entry) => entry.letters)).size).toBe(CLASS_LIST.length);
});

test('everything shown is in the fault-finding vocabulary, outcome and all', () => {
  for (const { observation, outcome } of everyShown())
    expect([observation, outcome in (entryOf<AnyObservation>(OBSERVATIONS, observation)?.outcomes ?? {})]).toEqual([
      observation,
      true,
    ]);
});

test('complaints and derived findings have unique ids, and what a rule replaces is what it asks for', () => {
  const ids = [...COMPLAINTS, ...ENDED].map((entry) => entry.id);
  expect(new Set(ids).size).toBe(ids.length);
  expect(new Set(DERIVED_FINDINGS.map((rule) => rule.id)).size).toBe(DERIVED_FINDINGS.length);
});

describe('the work that is raised', () => {
  const raised = (): RaisedWork[] => [
    ...CLASS_LIST.flatMap(checksOf).flatMap((check) => check.exceptions.flatMap((entry) => entry.raises ?? [])),
    ...[...COMPLAINTS, ...ENDED, ...DERIVED_FINDINGS].flatMap((entry) => entry.raises ?? []),
  ];

  test('one id, one wording, one remedy: no two different damages share a job', () => {
    const by = new Map<string, Set<string>>();
    for (const { work, kind, title } of raised()) by.set(work, new Set([...(by.get(work) ?? []), `${kind}: ${title}`]));
    expect([...by].filter(([, wordings]) => wordings.size !== 1)).toEqual([]);
    // And the other way round: what is worded the same is the same work.
    const wordings = [...by.values()].flatMap((set) => [...set]);
    expect(new Set(wordings).size).toBe(wordings.length);
    expect(by.size).toBeGreaterThan(50);
  });

  test('what nothing but the verdict raises is raised by no check', () => {
    const ids = raised().map((entry) => entry.work);
    for (const id of ['look-again', 'restock-kit']) expect(ids).not.toContain(id);
  });

  test('four damages of a welder are four jobs', () => {
    const works = checksOf(classOf('welder')).flatMap((check) =>
      check.exceptions.filter((entry) => entry.consequence === 'hold').flatMap((entry) => entry.raises?.work ?? []),
    );
    expect(new Set(works).size).toBeGreaterThanOrEqual(4);
  });
});
