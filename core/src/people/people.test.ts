import { triesWithin, waitAfterWrong, weaknessOfPin } from '.';

describe('a PIN', () => {
  test.each([
    ['12345', 'short'],
    ['111111', 'few-figures'],
    ['121212', 'few-figures'],
    ['123123', 'repeats'],
    ['112233', 'repeats'],
    ['123456', 'run'],
    ['890123', 'run'],
    ['654321', 'run'],
    ['246802', 'run'],
    ['123321', 'run'],
    ['159753', 'known'],
    ['runa4711', 'name'],
    ['471183', null],
    ['190772', null],
    ['slow ferry', null],
  ])('%s: %s', (pin, weakness) => expect(weaknessOfPin(pin, 'Runa Veldt')).toBe(weakness));

  test('hardly any of all six figures are refused: of each seventh of them', () => {
    let refused = 0;
    for (let pin = 0; pin < 1_000_000; pin += 7) if (weaknessOfPin(String(pin).padStart(6, '0'))) refused += 7;
    expect(refused).toBeGreaterThan(1000);
    expect(refused).toBeLessThan(10_000);
  });
});

describe('guessing', () => {
  test('three for nothing, then longer and longer, an hour at most', () => {
    expect([0, 1, 2, 3, 4, 5, 12, 13, 40].map(waitAfterWrong)).toEqual([0, 0, 0, 5, 10, 20, 2560, 3600, 3600]);
  });

  test('a month of trying on one device finds one of a million hardly ever', () => {
    expect(triesWithin(3600)).toBe(12);
    expect(triesWithin(30 * 86_400)).toBeLessThan(750);
  });
});
