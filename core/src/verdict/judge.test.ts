import fc from 'fast-check';
import { checksOf, classOf, CLASSES, DERIVED_FINDINGS, rulesOf, type Check, type MachineClass } from '../catalogue';
import { judge, judgeCheckIn, leastSeconds, wasHurried, type Answer, type Entered, type Known } from './index';

const generator = classOf('generator');
const allOk = (machineClass: MachineClass): Answer[] =>
  checksOf(machineClass).map((check) => ({ check: check.id, result: 'ok', ...figureFor(check) }));
/** A figure at its lower limit, where one is asked. */
const figureFor = ({ measured }: Check): Pick<Answer, 'reading'> =>
  measured?.limit.kind === 'within' ? { reading: { value: measured.limit.min, unit: measured.unit } } : {};
const slowly = (machineClass: MachineClass) =>
  machineClass.stations.map((station) => ({ id: station.id, seconds: leastSeconds(station) }));

const entered = (machineClass: MachineClass, more: Partial<Entered> = {}): Entered => ({
  fuelEighths: 8,
  fuelTap: 'was-shut',
  ended: 'well',
  missing: [],
  complaintIds: [],
  answers: allOk(machineClass),
  stations: slowly(machineClass),
  trueHours: 100,
  unusualOneIn: 0,
  byApprentice: false,
  ...more,
});
const known: Known = {
  trueHours: 95,
  hoursToOilService: 40,
  nextHireHours: null,
  wentOutWithEighths: 8,
  wentOutWithKit: null,
};
const but = (changed: Record<string, Partial<Answer>>): Answer[] =>
  allOk(generator).map((answer) => ({ ...answer, ...changed[answer.check] }));
const notOk = (exception: string): Partial<Answer> => ({ result: 'not-ok', exception });

describe('the verdict', () => {
  test.each(CLASSES.map((entry) => [entry.id] as const))('%s, all looked at and good: fit, nothing raised', (id) => {
    const machineClass = classOf(id);
    expect(judgeCheckIn(rulesOf(machineClass), entered(machineClass), known)).toMatchObject({
      result: 'fit',
      reasons: [],
      jobs: [],
      bill: [],
    });
  });

  test('over-full and smelling of fuel is one finding that says it: do not start it (common practice)', () => {
    const verdict = judgeCheckIn(
      rulesOf(generator),
      entered(generator, { answers: but({ 'oil-level': notOk('over-full'), 'oil-look': notOk('smells-of-fuel') }) }),
      known,
    );
    expect(verdict.result).toBe('held');
    expect(verdict.reasons.map((reason) => reason.sentence)).toEqual([
      'Fuel in the oil. Do not start it: the float needle lets by.',
    ]);
    expect(verdict.reasons[0]?.caution).toBe('do-not-start');
    expect(verdict.jobs.map((job) => [job.work, job.blocks])).toEqual([['fuel-in-oil', 'hold']]);
  });

  test('a reading just over its limit is the exception, at the limit it is not', () => {
    const at = (value: number) =>
      judgeCheckIn(
        rulesOf(generator),
        entered(generator, { answers: but({ hertz: { reading: { value, unit: 'Hz' } } }) }),
        known,
      ).result;
    expect([at(63), at(63.1), at(59.4)]).toEqual(['fit', 'held', 'prep']);
  });

  test('a safety check that nobody looked at holds; an ordinary one is prep', () => {
    expect(
      judgeCheckIn(
        rulesOf(generator),
        entered(generator, { answers: but({ sockets: { result: 'could-not-look' } }) }),
        known,
      ).result,
    ).toBe('held');
    expect(
      judgeCheckIn(
        rulesOf(generator),
        entered(generator, { answers: but({ clean: { result: 'could-not-look' } }) }),
        known,
      ).result,
    ).toBe('prep');
  });

  test('an answer left out counts as not looked at', () => {
    expect(judgeCheckIn(rulesOf(generator), entered(generator, { answers: [] }), known).result).toBe('held');
  });

  test('complaints share one job of finding the fault', () => {
    const verdict = judgeCheckIn(
      rulesOf(generator),
      entered(generator, { complaintIds: ['hunts', 'bogs'], ended: 'ended-badly' }),
      known,
    );
    expect(verdict.jobs.map((job) => job.work)).toEqual(['find-fault']);
    expect(verdict.jobs[0]?.origins).toHaveLength(3);
  });

  test('missing kit is priced, never more of it than went out', () => {
    const verdict = judgeCheckIn(
      rulesOf(generator),
      entered(generator, { missing: [{ id: 'wheel-pin', count: 9 }] }),
      known,
    );
    expect(verdict).toMatchObject({ result: 'prep', bill: [{ id: 'wheel-pin', count: 2, priceCents: 800 }] });
  });

  test('fuel short is a charge and stops nothing', () => {
    const verdict = judgeCheckIn(rulesOf(generator), entered(generator, { fuelEighths: 4 }), known);
    expect(verdict.result).toBe('fit');
    expect(verdict.reasons).toMatchObject([
      { consequence: 'bill', sentence: 'Came back 4 eighths of a tank under what went out.' },
    ]);
  });

  test('an oil service overdue, and one that would run out on the next hire', () => {
    expect(
      judgeCheckIn(rulesOf(generator), entered(generator), { ...known, hoursToOilService: 2 }).reasons[0]?.sentence,
    ).toBe('The oil service is 3 h overdue.');
    expect(
      judgeCheckIn(rulesOf(generator), entered(generator), { ...known, hoursToOilService: 10, nextHireHours: 8 })
        .jobs[0],
    ).toMatchObject({ work: 'oil-service', blocks: 'prep' });
    expect(
      judgeCheckIn(rulesOf(generator), entered(generator), { ...known, hoursToOilService: 20, nextHireHours: 8 })
        .result,
    ).toBe('fit');
  });

  test('an apprentice’s check-in waits for a technician', () => {
    expect(judgeCheckIn(rulesOf(generator), entered(generator, { byApprentice: true }), known)).toMatchObject({
      result: 'prep',
      jobs: [{ work: 'sign-off' }],
    });
  });

  test('reasons come worst first', () => {
    const { reasons } = judgeCheckIn(
      rulesOf(generator),
      entered(generator, { fuelEighths: 2, answers: but({ clean: notOk('dirty'), sockets: notOk('damaged') }) }),
      known,
    );
    expect(reasons.map((reason) => reason.consequence)).toEqual(['hold', 'fix-before-hire', 'bill']);
  });

  test('a strange check or complaint is a mistake of the caller, named', () => {
    expect(() =>
      judgeCheckIn(rulesOf(generator), entered(generator, { answers: [{ check: 'tines', result: 'ok' }] }), known),
    ).toThrow('tines');
    expect(() => judgeCheckIn(rulesOf(generator), entered(generator, { complaintIds: ['no-such'] }), known)).toThrow(
      'no-such',
    );
  });

  test('the same input gives the same verdict, and more findings never make it milder (property)', () => {
    const rank = { fit: 0, prep: 1, held: 2 };
    const checks = checksOf(generator);
    const input = (bad: readonly number[]) => ({
      ...rulesOf(generator),
      checks,
      complaints: [],
      derived: DERIVED_FINDINGS,
      complaintIds: [],
      missing: [],
      facts: {},
      answers: checks.map((check, at): Answer =>
        bad.includes(at)
          ? { check: check.id, result: 'not-ok', exception: check.exceptions[0].id }
          : { check: check.id, result: 'ok' },
      ),
    });
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.nat(checks.length - 1), { maxLength: 5 }),
        fc.nat(checks.length - 1),
        (bad, more) => {
          const fewer = judge(input(bad));
          expect(judge(input(bad))).toEqual(fewer);
          expect(rank[judge(input([...bad, more])).result]).toBeGreaterThanOrEqual(rank[fewer.result]);
        },
      ),
    );
  });
});

test('a station passed in under half of its least seconds was hurried', () => {
  const station = generator.stations[0];
  expect([
    wasHurried(station, leastSeconds(station) / 2),
    wasHurried(station, leastSeconds(station) / 2 - 0.1),
  ]).toEqual([false, true]);
});
