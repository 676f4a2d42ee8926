import { CONSEQUENCES_OF_FAULTS, FAULT_KNOWLEDGE, MISLEADING } from '../catalogue';
import { diagnose, Finding, sayCaseProblem, sayWarning, warningsOf, type Machine, type Seen } from './index';

const codes = (seen: Seen, more: Partial<Machine> = {}): string[] => {
  const finding = new Finding(FAULT_KNOWLEDGE, { engine: {}, past: {}, ...more }, [{ seen }]);
  return warningsOf(finding, diagnose(finding, { setUpsDone: new Set(), toolsAtHand: null })).map((warning) =>
    warning.code === 'misleading' ? warning.rule : warning.code,
  );
};

/** Each misleading thing, when it is due and when it no longer is. */
const CASES: readonly (readonly [
  code: string,
  due: Seen,
  dueMachine: Partial<Machine>,
  not: Seen,
  notMachine: Partial<Machine>,
])[] = [
  ['open-air-spark', { 'spark-open-plug': 'blue' }, {}, { 'spark-open-plug': 'blue', 'plug-swapped': 'no-change' }, {}],
  ['lamp-only', { 'spark-inline': 'steady' }, {}, { 'spark-inline': 'steady', 'spark-set-gap': 'jumps' }, {}],
  ['gauge-with-release', { compression: 'worn' }, {}, { compression: 'worn' }, { engine: { release: false } }],
  ['gauge-with-release', { 'compression-feel': 'weak' }, {}, { 'compression-feel': 'weak', 'leak-down': 'good' }, {}],
  [
    'clean-plug',
    { 'plug-look': 'dry-clean', starting: 'will-not-fire' },
    {},
    { 'plug-look': 'dry-clean', starting: 'hard' },
    {},
  ],
  ['new-plug', { 'plug-look': 'tan' }, { past: { plugIsNew: true } }, { 'plug-look': 'tan' }, {}],
  ['wet-after-choke', { 'plug-look': 'wet-fuel', starting: 'will-not-fire' }, {}, { 'plug-look': 'wet-fuel' }, {}],
  ['just-cleaned', { 'last-repair': 'carburettor' }, {}, { 'last-repair': 'ignition' }, {}],
  ['comes-and-goes', { intermittent: 'comes-and-goes' }, {}, { intermittent: 'always-same' }, {}],
  ['oiled-cylinder', { smoke: 'blue' }, { past: { cylinderOiled: true } }, { smoke: 'blue' }, {}],
  ['additive', { smoke: 'white' }, { past: { additiveInFuel: true } }, { smoke: 'white' }, {}],
];

test.each(CASES)('%s is said when it is due, and not else', (code, due, dueMachine, not, notMachine) => {
  expect(codes(due, dueMachine)).toContain(code);
  expect(codes(not, notMachine)).not.toContain(code);
});

test('every misleading thing of the catalogue is tried here', () =>
  expect([...new Set(CASES.map(([code]) => code))].sort()).toEqual(MISLEADING.map((rule) => rule.code).sort()));

test('each warning is a sentence with the catalogue’s words', () => {
  const say = (warning: Parameters<typeof sayWarning>[0]) =>
    sayWarning(warning, FAULT_KNOWLEDGE, CONSEQUENCES_OF_FAULTS);
  expect(say({ code: 'misleading', rule: 'open-air-spark' })).toMatch(/^A spark in the open proves little/);
  expect(say({ code: 'counted-once', observation: 'recoil-feel' })).toBe(
    '“How the rope feels” tells what another reading told already: it counts once.',
  );
  expect(say({ code: 'conflict', observation: 'compression', with: 'recoil-feel' })).toMatch(
    /can hardly both be right: compression by gauge, and how the rope feels/,
  );
  expect(say({ code: 'consequence', consequence: 'oil-diluted', causes: ['needle-leaks'], probability: 0.8 })).toMatch(
    /^Fuel in the oil is likely with it: float needle lets by/,
  );
});

test('each refusal of a case file names what it is about', () => {
  expect(sayCaseProblem({ code: 'unknown-id', what: 'observation', id: 'sparc', nearest: 'starter' })).toBe(
    'Unknown observation “sparc”. The nearest known one is “starter”.',
  );
  expect(sayCaseProblem({ code: 'unknown-outcome', of: 'choke', outcome: 'x', nearest: 'needs-choke' })).toMatch(
    /^“choke” has no outcome “x”/,
  );
  expect(sayCaseProblem({ code: 'not-a-reading', of: 'battery', why: 'a number from 0 is wanted' })).toMatch(
    /^“battery” cannot be read/,
  );
  expect(sayCaseProblem({ code: 'wrong-format', got: 'other/2' })).toMatch(/other\/2/);
  expect(sayCaseProblem({ code: 'not-json', why: 'end' })).toMatch(/^This is not JSON/);
});
