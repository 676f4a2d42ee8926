import fc from 'fast-check';
import { CLASSES, FAULTS, MONEY, RISK_IDS, STATE_FOUND_IDS, type AnyFault } from '../catalogue';
import { flipsOf, reckonWays, type Way, type WaysAsked } from '../money';
import { entriesOf, keysOf } from '../typed';
import { askedFor, type Trouble, type YardFigures } from './index';

const TROUBLE: Trouble = {
  classId: 'generator',
  causes: [],
  seen: {},
  setUpsDone: new Set(),
  state: 'dirty',
  risks: [],
  accessMinutes: 0,
  findMinutes: 90,
};
const YOUNG: YardFigures = {
  centsPerHour: null,
  shareOut: null,
  cameBack: { cases: 0, came: 0 },
  wasWrong: { cases: 0, came: 0 },
  parts: null,
  hours: 150,
  years: 1,
  open: { minutes: 0, partsCents: 0 },
};
const OLD: YardFigures = { ...YOUNG, hours: 4500, years: 14 };

const asked = (trouble: Partial<Trouble>, yard: Partial<YardFigures> = {}): WaysAsked =>
  askedFor({ ...TROUBLE, ...trouble }, { ...YOUNG, ...yard });
const best = (trouble: Partial<Trouble>, yard: Partial<YardFigures> = {}): Way | undefined =>
  reckonWays(asked(trouble, yard))[0];
const costOf = (all: readonly Way[], way: string): number => all.find((one) => one.way === way)?.costCents ?? NaN;

/** Every class that a fault can be in. */
const casesOf = (): { id: string; classId: string }[] =>
  entriesOf<string, AnyFault>(FAULTS).flatMap(([id, fault]) =>
    CLASSES.filter(({ id: classId }) => fault.when?.classes?.some((one) => one === classId) ?? true).map(
      ({ id: classId }) => ({
        id,
        classId,
      }),
    ),
  );

describe('the answers of the reckoning make sense', () => {
  test('over all faults, states and two ages each way is best somewhere', () => {
    const wins = new Map<string, number>();
    for (const { id, classId } of casesOf())
      for (const state of STATE_FOUND_IDS)
        for (const yard of [YOUNG, OLD]) {
          const way = best({ causes: [id], classId, state }, yard)?.way ?? 'none';
          wins.set(way, (wins.get(way) ?? 0) + 1);
        }
    const unknown = best({}, YOUNG)?.way;
    expect([unknown, ...[...wins.keys()].sort()]).toEqual(['find', 'mend', 'replace', 'retire', 'swap-engine']);
    for (const [way, times] of wins) expect([way, times >= 10]).toEqual([way, true]);
  });

  test.each([
    'main-jet-blocked',
    'pilot-jet-blocked',
    'emulsion-tube-blocked',
    'inlet-screen-blocked',
    'nozzle-blocked',
  ])('mending beats replacing: %s, good or dirty', (id) => {
    for (const state of ['good', 'dirty'] as const)
      for (const classId of ['generator', 'pressure-washer'])
        expect([state, classId, best({ causes: [id], state, classId })?.way]).toEqual([state, classId, 'mend']);
  });

  test('worn rings on a cheap engine lead to another engine, on an old unit to letting it go', () => {
    for (const classId of ['pressure-washer', 'log-splitter', 'tiller', 'snowblower'])
      for (const [yard, ways] of [
        [YOUNG, ['swap-engine', 'retire']],
        [OLD, ['retire', 'swap-engine']],
      ] as const)
        expect([classId, ways.includes(best({ causes: ['rings-worn'], classId }, yard)?.way as never)]).toEqual([
          classId,
          true,
        ]);
    expect(best({ causes: ['rings-worn'], classId: 'pressure-washer' }, OLD)?.way).toBe('retire');
  });

  test('what cannot be replaced is not offered as replaced; what is not to be had neither', () => {
    const ways = (trouble: Partial<Trouble>, yard: Partial<YardFigures> = {}) =>
      reckonWays(asked(trouble, yard)).map(({ way }) => way);
    expect(ways({ causes: ['tap-off'] })).not.toContain('replace');
    expect(ways({ causes: ['mixture-misset'] })).not.toContain('replace');
    expect(ways({ causes: ['plug-fouled'] })).not.toContain('mend');
    const parts = { cents: 5500, leadDays: 4, isToBeHad: false };
    expect(ways({ causes: ['main-jet-blocked'] }, { parts })).not.toContain('replace');
    // A gearbox is not cured by another engine.
    expect(ways({ causes: ['gearbox-failed'], classId: 'tiller' })).not.toContain('swap-engine');
  });

  test('without a known cause there is nothing to replace: finding it first, with its expected cost', () => {
    const all = reckonWays(asked({ findMinutes: 60 }));
    expect(all.map(({ way }) => way).sort()).toEqual(['find', 'retire']);
    expect(all.find(({ way }) => way === 'find')?.handsCents).toBeCloseTo(MONEY.centsPerHour.value, 6);
  });

  test('minutes to get at it are counted once: what is off already costs nothing, an enclosure does', () => {
    const hands = (trouble: Partial<Trouble>) =>
      reckonWays(asked({ causes: ['main-jet-blocked'], ...trouble })).find(
        ({ title }) => title === 'Clear the main jet',
      )?.handsCents ?? 0;
    expect(hands({ setUpsDone: new Set(['bowl-off']) })).toBeLessThan(hands({}));
    expect(hands({ accessMinutes: 60 }) - hands({})).toBeCloseTo(MONEY.centsPerHour.value, 6);
  });

  test('two causes that one repair puts right are done in one go', () => {
    const one = asked({ causes: ['main-jet-blocked'], state: 'gummed' }).doings.find(({ title }) => /bath/.test(title));
    const both = asked({ causes: ['main-jet-blocked', 'pilot-jet-blocked'], state: 'gummed' }).doings;
    expect(both.some(({ title }) => title === 'Strip and bath the carburettor; Clear the main jet')).toBe(false);
    expect(both.find(({ way }) => way === 'replace')).toMatchObject({ title: 'Replace the carburettor' });
    expect(one?.minutes).toBeGreaterThan(0);
    // What has to come off comes off once: 8 and 10 minutes with the bowl's 5.
    const jets = asked({ causes: ['main-jet-blocked', 'emulsion-tube-blocked'] }).doings.find(
      ({ way }) => way === 'mend',
    );
    expect([jets?.title, jets?.minutes]).toEqual(['Clear the main jet; Clear the emulsion tube', 23]);
    // A bath for the varnish clears the jet too.
    const bathed = asked({ causes: ['carb-varnished', 'main-jet-blocked'] }).doings.find(({ way }) => way === 'mend');
    expect([bathed?.title, bathed?.minutes]).toEqual(['Strip and bath the carburettor', 69]);
  });
});

describe('each input moves the answer the way it should', () => {
  const faults = keysOf(FAULTS);
  const situation = fc.record({
    id: fc.constantFrom(...faults),
    classId: fc.constantFrom(...CLASSES.map(({ id }) => id)),
    state: fc.constantFrom(...STATE_FOUND_IDS),
    hours: fc.integer({ min: 0, max: 5000 }),
    years: fc.integer({ min: 0, max: 20 }),
    risks: fc.subarray([...RISK_IDS]),
  });
  const sum = ({ id, classId, state, hours, years, risks }: Situation): WaysAsked =>
    asked({ causes: [id], classId, state, risks }, { hours, years });
  type Situation = typeof situation extends fc.Arbitrary<infer S> ? S : never;
  const each = (
    holds: (before: Way[], after: Way[], given: WaysAsked) => void,
    change: (given: WaysAsked) => WaysAsked,
  ) =>
    fc.assert(
      fc.property(situation, (drawn) => {
        const given = sum(drawn);
        holds(reckonWays(given), reckonWays(change(given)), given);
      }),
      { numRuns: 150 },
    );

  test('a dearer hour, more minutes, dearer parts, longer waits never make what is done cheaper', () => {
    const dearer = (before: Way[], after: Way[]) => {
      for (const { way, title, costCents } of before) {
        const then = after.find((one) => one.way === way && one.title === title);
        expect(then?.costCents ?? NaN).toBeGreaterThanOrEqual(costCents - 1e-6);
      }
    };
    each(dearer, (given) => ({ ...given, centsPerHour: given.centsPerHour * 1.5 }));
    each(dearer, (given) => ({ ...given, accessMinutes: given.accessMinutes + 60 }));
    each(dearer, (given) => ({
      ...given,
      doings: given.doings.map((one) => ({ ...one, partsCents: one.partsCents + 5000 })),
    }));
    each(dearer, (given) => ({
      ...given,
      doings: given.doings.map((one) => ({ ...one, leadDays: one.leadDays + 5 })),
    }));
    each(dearer, (given) => ({
      ...given,
      doings: given.doings.map((one) => ({ ...one, comeback: one.comeback + 0.2 })),
    }));
    each(dearer, (given) => ({ ...given, open: { minutes: 60, partsCents: 20_000 } }));
  });

  test('a unit that is worth more is kept sooner, one that is worth nothing is let go', () => {
    each(
      (before, after) => {
        const keeping = (ways: Way[]) =>
          Math.min(...ways.filter(({ way }) => way !== 'retire').map((one) => one.costCents));
        expect(keeping(after) - costOf(after, 'retire')).toBeLessThanOrEqual(
          keeping(before) - costOf(before, 'retire') + 1e-6,
        );
      },
      (given) => ({ ...given, soundCents: given.soundCents + 30_000 }),
    );
    each(
      (_, after) => expect(after[0]?.way).toBe('retire'),
      (given) => ({
        ...given,
        soundCents: given.scrapCents,
        swapAddsCents: 0,
        dayCents: 0,
        open: { minutes: 60, partsCents: 20_000 },
      }),
    );
  });

  test('the surer a repair holds, the cheaper it is; the likelier the cause is wrong, the dearer what rests on it', () => {
    each(
      (before, after) => {
        for (const way of before.filter((one) => one.way === 'mend')) {
          const then = after.find((one) => one.title === way.title);
          expect(then?.costCents ?? NaN).toBeLessThanOrEqual(way.costCents + 1e-6);
        }
      },
      (given) => ({
        ...given,
        // Worth something, so that a repair that holds is worth having.
        doings: given.doings.map((one) =>
          one.way === 'mend' ? { ...one, holds: Math.min(one.holds + 0.05, 1), comeback: 0 } : one,
        ),
      }),
    );
  });

  test('the state of the old part moves mending, not a new part', () => {
    const at = (state: (typeof STATE_FOUND_IDS)[number]) =>
      asked({ causes: ['carb-varnished'], state }).doings.map(({ way, holds }) => [way, Math.round(holds * 1000)]);
    expect(at('good')).toEqual([
      ['mend', 820],
      ['replace', 970],
      ['swap-engine', 930],
    ]);
    expect(at('broken').find(([way]) => way === 'mend')?.[1]).toBeLessThan(60);
    expect(at('broken').find(([way]) => way === 'replace')?.[1]).toBe(970);
  });

  test('own cases move the odds from the built-in ones, by how many there are', () => {
    const comeback = (cases: number, came: number) =>
      asked({ causes: ['carb-varnished'] }, { cameBack: { cases, came } }).doings.find(({ way }) => way === 'mend')
        ?.comeback;
    // By hand: 0.12 worth 20 cases; 4 of 10 more: (2.4 + 4) / 30.
    expect([comeback(0, 0), comeback(10, 4)]).toEqual([0.12, expect.closeTo(6.4 / 30, 9)]);
    expect(asked({ causes: ['carb-varnished'] }, { wasWrong: { cases: 25, came: 3 } }).wrong).toBeCloseTo(0.1, 9);
  });

  test('what would change the answer does, and nothing nearer does', () => {
    fc.assert(
      fc.property(situation, (drawn) => {
        const given = sum(drawn);
        const [first] = reckonWays(given);
        const [flip] = flipsOf(given);
        if (flip === undefined || flip.input !== 'rate') return;
        const there = (centsPerHour: number) => reckonWays({ ...given, centsPerHour })[0];
        expect(there(flip.at)?.title).toBe(flip.title);
        expect(there(flip.at + (flip.now - flip.at) * 0.001)?.title).toBe(first?.title);
      }),
      { numRuns: 60 },
    );
  });
});
