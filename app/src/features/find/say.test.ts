import { sayFault, sayLogRatio, sayOpening, sayPercent, sayRow, saySeen, sayWhyStep } from './say';

test('percent as a person says it', () =>
  expect([0.0001, 0.004, 0.06, 0.5, 0.994, 0.996].map(sayPercent)).toEqual([
    '< 1 %',
    '< 1 %',
    '6 %',
    '50 %',
    '99 %',
    '> 99 %',
  ]));
test('faults and outcomes by their words', () => {
  expect(sayFault('main-jet-blocked')).toBe('Main jet blocked');
  expect(sayFault('user-error')).toBe('Nothing wrong with it');
  expect(saySeen('leak-place', ['breather', 'exhaust'])).toBe('breather and muffler');
});
test('how much likelier', () => {
  expect(sayLogRatio(Math.log(30))).toBe('far likelier (× 30)');
  expect(sayLogRatio(-Math.log(4))).toBe('much less likely (× 4.0)');
  expect(sayLogRatio(Math.log(1.2))).toBe('a little likelier (× 1.2)');
});
test('what must be off first, as far as it is not', () => {
  expect(sayOpening('main-jet', [])).toBe('First: bowl off (5 min).');
  expect(sayOpening('main-jet', ['bowl-off'])).toBeNull();
  expect(sayOpening('points-gap', ['cowl-off'])).toBe('First: flywheel off (18 min).');
});
test('an answer says how likely it is and whom it points to', () =>
  expect(
    sayRow({ outcome: 'blocked', probability: 0.2, points: [{ id: 'main-jet-blocked', probability: 0.93 }] }),
  ).toBe('20 % · then main jet blocked 93 %'));
test('why a check: what it tells apart and what it saves', () => {
  const shown = {
    check: 'main-jet',
    rows: [
      { outcome: 'clear', probability: 0.6, points: [] },
      { outcome: 'blocked', probability: 0.4, points: [] },
    ],
    under: { 'main-jet-blocked': [0.05, 0.95], 'pilot-jet-blocked': [0.99, 0.01] },
  };
  expect(sayWhyStep({ kind: 'check', id: 'main-jet', minutes: 7, expectedSaving: 5, toolsMissing: [] }, shown)).toBe(
    'It tells main jet blocked apart from pilot jet blocked. About 12 min less to the end, for 7 min of work.',
  );
  expect(
    sayWhyStep({ kind: 'repair', id: 'main-jet-blocked', minutes: 8, expectedSaving: -7.5, toolsMissing: [] }, null),
  ).toBe('8 min of work. Likely enough to do it and try.');
});
