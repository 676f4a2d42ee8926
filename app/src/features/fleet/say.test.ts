import { sayReadiness, sayReason } from './say';

test('the answer comes first', () => {
  expect(sayReadiness({ readiness: 'held', because: ['Fuel in the oil. Do not start it.'] })).toBe(
    'Held: Fuel in the oil. Do not start it.',
  );
  expect(sayReadiness({ readiness: 'fit', because: [] })).toBe('Fit for hire.');
  expect(
    sayReadiness({ readiness: 'held', because: [], notLookedAtSince: new Date(Date.now() - 3_600_000).toISOString() }),
  ).toBe('Held: back 1 hour ago, not looked at.');
  expect(sayReadiness({ readiness: 'out', because: [], dueAt: '2020-01-01T08:00:00Z' })).toMatch(/^Out, was due back /);
});

test('the small tag leaves out the word that stands above it', () => {
  expect(sayReason({ verdict: { readiness: 'prep', because: ['It is dirty.'] }, nextHire: null })).toBe('It is dirty.');
  expect(sayReason({ verdict: { readiness: 'fit', because: [] }, nextHire: null })).toBe('No hire booked');
});
