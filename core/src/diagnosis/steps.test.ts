import { inOrder, type Step } from './steps';

const check = (id: string, expectedSaving: number, minutes: number, more: Partial<Step> = {}): Step => ({
  kind: 'check',
  id,
  expectedSaving,
  minutes,
  toolsMissing: [],
  ...more,
});
const repair = (id: string, expectedSaving: number, odds: number, more: Partial<Step> = {}): Step => ({
  ...check(id, expectedSaving, 10),
  kind: 'repair',
  odds,
  ...more,
});
/** Ids in their order; a cover costs so many minutes. */
const order = (steps: readonly Step[], covers: Readonly<Record<string, number>> = {}): string[] =>
  inOrder(steps, (id) => covers[id] ?? 0).map((step) => step.id);

describe('the order of steps', () => {
  test('what pays comes before what does not, most first; what wants a missing tool last of all', () => {
    expect(
      order([
        check('loses', -1, 1),
        check('tool', 50, 1, { toolsMissing: ['gauge'] }),
        check('little', 2, 1),
        check('much', 9, 5),
      ]),
    ).toEqual(['much', 'little', 'loses', 'tool']);
  });

  test('what is given is put right before anything, where it is enough; else it stands among the others by its worth', () => {
    const given = repair('given', 1, 1, { given: true, now: true });
    expect(order([check('much', 9, 5), given])).toEqual(['given', 'much']);
    const { now: _, ...later } = given;
    expect(order([check('much', 9, 5), later])).toEqual(['much', 'given']);
  });

  test('a repair at long odds waits while a check pays, and no longer', () => {
    const long = repair('long', 12, 0.15);
    expect(order([long, check('pays', 0.5, 3)])).toEqual(['pays', 'long']);
    expect(order([long, check('loses', -0.5, 3)])).toEqual(['long', 'loses']);
    expect(order([repair('likely', 12, 0.4), check('pays', 0.5, 3)])).toEqual(['likely', 'pays']);
  });

  test('behind a cover only where it is better by five minutes and a quarter', () => {
    const behind = (saving: number) => order([check('behind', saving, 20), check('open', 16, 6)], { behind: 14 });
    expect(behind(20.5)[0]).toBe('open');
    expect(behind(21.5)[0]).toBe('behind');
    // Five minutes of forty are not a quarter.
    expect(order([check('behind', 46, 20), check('open', 40, 6)], { behind: 14 })[0]).toBe('open');
    // What is off in three minutes is no cover.
    expect(order([check('plug', 17.8, 20), check('open', 16, 30)], { plug: 3 })[0]).toBe('plug');
    expect(order([check('plug', 17.8, 20), check('open', 16, 30)], { plug: 4 })[0]).toBe('open');
  });

  test('of what is as good as the best, the cheaper with nothing to take off', () => {
    expect(order([check('long', 10, 9), check('short', 9.2, 2)])[0]).toBe('short');
    expect(order([check('long', 10, 9), check('short', 8.9, 2)])[0]).toBe('long');
    // A tenth of much is more than a minute.
    expect(order([check('long', 40, 9), check('short', 36.5, 2)])[0]).toBe('short');
    expect(order([check('long', 10, 9), check('short', 9.2, 2)], { short: 14 })[0]).toBe('long');
  });
});
