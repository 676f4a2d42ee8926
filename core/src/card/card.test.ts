import { stepsFor } from './index';

test('its worked example: two causes behind the bowl take it off once, readings stand before and after', () => {
  const cause = (id: string) => ({
    id,
    repairTitle: `Mend ${id}`,
    caution: undefined,
    setUps: [{ id: 'bowl-off', words: 'Bowl off', teardown: 'carburettor-off' as const }],
    reading: 'compression' as const,
    clock: 'drip-test' as const,
  });
  const steps = stepsFor({
    kind: [{ key: 'safe', title: 'Make it safe' }],
    work: null,
    causes: [cause('x'), cause('y')],
  });
  expect(steps.map((step) => step.key)).toEqual([
    'safe',
    'off-bowl-off',
    'before-compression',
    'repair-x',
    'clock-drip-test',
    'repair-y',
    'after-compression',
  ]);
});
