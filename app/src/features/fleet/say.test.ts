import { sayFuel, sayHours, sayMinutes, sayMoney, sayReadiness, sayReason } from './say';

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

test('figures', () => {
  expect([sayFuel(0), sayFuel(5), sayFuel(8)]).toEqual(['empty', '5/8', 'full']);
  expect([sayMinutes(45), sayMinutes(130)]).toEqual(['45 min', '2 h 10']);
  expect([sayHours(12), sayMoney(1250)]).toEqual(['12.0 h', '$12.50']);
});
