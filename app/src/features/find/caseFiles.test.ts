import { entryOf } from '@/testing/findingEntries';
import { fromCase, toCase } from './caseFiles';

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

test('a case file becomes a finding, readings banded and kept, and a case file again', () => {
  const read = fromCase(JSON.stringify(CASE));
  if (!read.ok) throw new Error(read.sentence);
  expect(read.brought.map(({ facts }) => facts)).toMatchObject([
    { observation: 'starting', outcomes: ['hard'], reading: null },
    { observation: 'compression', outcomes: ['worn'], reading: { value: 62, unit: 'psi' } },
    { observation: 'leak-place', outcomes: ['breather', 'exhaust'] },
  ]);
  const entries = read.brought.map(({ kind, facts }) => entryOf(kind, facts));
  expect(JSON.parse(toCase({ machine: read.machine, entries }))).toEqual({ format: 'hudrik-case/1', ...CASE });
});

test.each([
  ['{', 'This is not JSON'],
  ['{"class":"snowblowe"}', 'Unknown class “snowblowe”. The nearest known one is “snowblower”.'],
  ['{"observations":{"battery":{"value":"x","unit":"V"}}}', '“battery” cannot be read: a number from 0 is wanted.'],
  ['{"observations":{"choke":{"value":1}}}', '“choke” cannot be read: it is an outcome, not a reading.'],
])('%s is refused by name', (text, sentence) => {
  const read = fromCase(text);
  expect(read.ok ? 'taken' : read.sentence).toContain(sentence);
});
