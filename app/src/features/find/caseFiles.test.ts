import { fromCase, toCase } from './caseFiles';
import type { LocalFinding } from './entries';

jest.mock('@react-native-async-storage/async-storage', () =>
  jest.requireActual<object>('@react-native-async-storage/async-storage/jest/async-storage-mock'),
);

const CASE = {
  class: 'generator',
  engine: { release: false },
  context: { daysStood: 40 },
  observations: {
    starting: 'hard',
    compression: { value: 62, unit: 'psi', method: 'pull' },
    'leak-place': ['breather', 'exhaust'],
  },
};
const taken = (text: string) => fromCase(text, 'Ivo');

test('a case file becomes a finding, readings banded and kept, and a case file again', () => {
  const read = taken(JSON.stringify(CASE));
  if (!read.ok) throw new Error(read.sentence);
  expect(read.entries.map((entry) => [entry.observation, entry.outcomes])).toEqual([
    ['starting', ['hard']],
    ['compression', ['worn']],
    ['leak-place', ['breather', 'exhaust']],
  ]);
  const held: LocalFinding = {
    id: 'f',
    tag: null,
    machine: read.machine,
    limits: null,
    entries: read.entries,
    closedAt: null,
    causes: null,
    jobId: null,
    opened: false,
    version: 0,
  };
  expect(JSON.parse(toCase(held))).toEqual({ format: 'hudrik-case/1', ...CASE });
});

test.each([
  ['{', 'This is not JSON'],
  ['{"class":"snowblowe"}', 'Unknown class “snowblowe”. The nearest known one is “snowblower”.'],
  ['{"observations":{"battery":{"value":"x","unit":"V"}}}', '“battery” can not be read: a number from 0 is wanted.'],
  ['{"observations":{"choke":{"value":1}}}', '“choke” can not be read: it is an outcome, not a reading.'],
])('%s is refused by name', (text, sentence) => {
  const read = taken(text);
  expect(read.ok ? 'taken' : read.sentence).toContain(sentence);
});
