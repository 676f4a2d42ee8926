import { readFileSync } from 'node:fs';
import path from 'node:path';
import {
  CLASS_IDS,
  FAULT_KNOWLEDGE,
  FAULTS,
  NOTHING_WRONG,
  OBSERVATIONS,
  READING_LIMITS,
  entryOf,
  type AnyFault,
  type AnyObservation,
} from '../catalogue';
import { bandReading } from '../readings';
import { diagnose, Finding, readCase, writeCase, type Band, type CaseProblem } from './index';

interface Expected {
  readonly file: string;
  readonly why: string;
  readonly causes: readonly string[];
  readonly telling: Readonly<Record<string, unknown>>;
  readonly before: Rank;
  readonly after: Rank;
  /** The step that a mechanic would take before the telling one: one of these. */
  readonly next?: readonly string[];
}
/** All causes among the first so many, each at least so likely, or so likely that it is one of them. */
interface Rank {
  readonly within: number;
  readonly atLeast?: number;
  readonly together?: number;
}

const FOLDER = path.join(process.cwd(), 'cases');
const read = <T>(name: string): T => JSON.parse(readFileSync(path.join(FOLDER, name), 'utf8'));
const expected = read<Expected[]>('expected.json');
const band: Band = (observation, reading, engine) => {
  const kind = entryOf<AnyObservation>(OBSERVATIONS, observation)?.reading;
  return kind ? bandReading(kind, reading, READING_LIMITS, { engine }) : { ok: false, why: 'no reading' };
};
const parsed = (input: unknown) => readCase(input, CLASS_IDS, FAULT_KNOWLEDGE, band);

function diagnosed(input: unknown) {
  const result = parsed(input);
  if (!result.ok) throw new Error(JSON.stringify(result.problem));
  const finding = new Finding(FAULT_KNOWLEDGE, result.case.machine, [{ seen: result.case.seen }]);
  return diagnose(finding, { setUpsDone: new Set(), toolsAtHand: null });
}

function mustRank(input: unknown, causes: readonly string[], wanted: Rank): void {
  const order = diagnosed(input).suspects.map(({ id, probability }) => ({ id, p: probability }));
  const places = causes.map((id) => order.findIndex((entry) => entry.id === id) + 1);
  const chances = causes.map((id) => order.find((entry) => entry.id === id)?.p ?? 0);
  expect(Math.max(...places)).toBeLessThanOrEqual(wanted.within);
  if (wanted.atLeast !== undefined) expect(Math.min(...chances)).toBeGreaterThanOrEqual(wanted.atLeast);
  if (wanted.together !== undefined)
    expect(1 - chances.reduce((none, p) => none * (1 - p), 1)).toBeGreaterThanOrEqual(wanted.together);
}

describe.each(expected.map((entry) => [entry.file, entry] as const))(
  '%s',
  (_, { file, why, causes, telling, before, after, next }) => {
    const given = read<{ observations: Record<string, unknown> }>(`${file}.json`);
    test(`${why}: before the telling check`, () => mustRank(given, causes, before));
    test('and after it', () =>
      mustRank({ ...given, observations: { ...given.observations, ...telling } }, causes, after));
    if (next) test('a mechanic would take the next step', () => expect(next).toContain(diagnosed(given).next[0]?.id));
  },
);

test('120 cases or more, over six classes and an engine by itself; 30 with two to four causes, 20 on the driven machines, one in which nothing is wrong', () => {
  const classes = new Set(expected.map(({ file }) => read<{ class: string }>(`${file}.json`).class));
  expect(expected.length).toBeGreaterThanOrEqual(120);
  const several = expected.filter(({ causes }) => causes.length >= 2);
  expect(several.length).toBeGreaterThanOrEqual(30);
  const driven = expected.filter(({ causes }) =>
    causes.some((id) => entryOf<AnyFault>(FAULTS, id)?.lane === 'machine'),
  );
  expect(driven.length).toBeGreaterThanOrEqual(20);
  expect([classes.has('engine'), classes.size]).toEqual([true, 7]);
  expect(expected.some((entry) => entry.causes.includes(NOTHING_WRONG))).toBe(true);
  expect(Math.max(...expected.map((entry) => entry.causes.length))).toBe(4);
});

describe('case files', () => {
  const problem = (input: unknown): CaseProblem => {
    const result = parsed(input);
    if (result.ok) throw new Error('was taken');
    return result.problem;
  };

  test('every field may be left out', () => expect(parsed({}).ok).toBe(true));
  test('unknown ids and outcomes are refused by name, with the nearest known one', () => {
    expect(problem({ observations: { startin: 'hard' } })).toEqual({
      code: 'unknown-id',
      what: 'observation',
      id: 'startin',
      nearest: 'starting',
    });
    expect(problem({ observations: { choke: 'need-choke' } })).toEqual({
      code: 'unknown-outcome',
      of: 'choke',
      outcome: 'need-choke',
      nearest: 'needs-choke',
    });
    expect(problem({ class: 'snow-blower' })).toMatchObject({ what: 'class', nearest: 'snowblower' });
    expect(problem({ engine: { igniton: 'coil' } })).toMatchObject({ what: 'engine', nearest: 'ignition' });
    expect(problem({ context: { fuelBlend: 'E85' } })).toMatchObject({ of: 'context.fuelBlend', nearest: 'E15' });
    expect(problem({ context: { daysStood: -3 } })).toMatchObject({ code: 'not-a-reading' });
    expect(problem({ contexts: {} })).toMatchObject({ what: 'field', nearest: 'context' });
    expect(problem({ format: 'other/2' })).toMatchObject({ code: 'wrong-format' });
    expect(problem('{ "class": ')).toMatchObject({ code: 'not-json' });
    expect(problem({ observations: { choke: ['needs-choke', 'runs-off-choke'] } })).toMatchObject({
      code: 'not-a-reading',
      of: 'choke',
    });
    expect(problem({ observations: { compression: { value: 90, unit: 'furlong', method: 'pull' } } })).toMatchObject({
      code: 'not-a-reading',
      of: 'compression',
    });
  });

  test('written and read again it is the same case', () => {
    const first = parsed(read('leak-two-places.json'));
    if (!first.ok) throw new Error();
    const again = parsed(writeCase(first.case.machine, first.case.seen, first.case.readings));
    expect(again).toEqual(first);
  });
});
