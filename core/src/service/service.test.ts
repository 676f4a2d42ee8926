import fc from 'fast-check';
import jStat from 'jstat';
import {
  CLASS_IDS,
  engineOilOf,
  SERVICE_ITEMS,
  SERVICE_PLANS,
  STEPS_OF_WORK,
  stepsOfService,
  workOfItem,
} from '../catalogue';
import { doneBySteps, itemsWithJobs } from './doneBySteps';
import { groupVisits, LATE_MINUTES, VISIT_MINUTES, type Ahead } from './groupVisits';
import { dueAtHours, expectedIn, fallsDueIn, intervalDays, itemState } from './itemState';
import { onHire, runsOutDuring } from './runsOut';
import { SHARE_OUT, shareOnHire } from './shareOnHire';
import { FURTHEST, whenReached } from './whenReached';
import { loopIn, withIncluded } from './withIncluded';

const at = (day: string): Date => new Date(`${day}T08:00:00Z`);
const OIL = { id: 'oil', every: { hours: 50, months: 12 }, firstHours: 5 };

describe('the state of an item', () => {
  test('hours or months, whichever is first (common practice)', () => {
    const done = { trueHours: 120, at: at('2030-01-31') };
    const came = { trueHours: 0, at: at('2028-01-01') };
    const state = (trueHours: number, day: string) => itemState({ item: OIL, done, came }, { trueHours, at: at(day) });
    expect(state(130, '2030-03-02')).toMatchObject({ dueHours: 170, dueAt: at('2031-01-31'), hoursLeft: 40 });
    expect(state(130, '2030-03-02').share).toBeCloseTo(0.8, 10);
    expect(state(130, '2031-01-31')).toMatchObject({ daysLeft: 0, share: 0 });
    expect(state(130, '2031-02-10').daysLeft).toBe(-10);
    expect(state(172.5, '2030-03-02')).toMatchObject({ hoursLeft: -2.5, share: -0.05 });
  });

  test('a new engine’s first oil is at 5 h, and after it every 50; one that came used counts from there (common practice)', () => {
    const due = (done: number | null, came: number) =>
      dueAtHours({
        item: engineOilOf('generator'),
        done: done === null ? null : { trueHours: done },
        came: { trueHours: came },
      });
    expect(due(null, 0)).toEqual({ at: 5, lasts: 5 });
    expect(due(5.5, 0)).toEqual({ at: 55.5, lasts: 50 });
    expect(due(null, 100)).toEqual({ at: 150, lasts: 50 });
    expect(due(null, 5)).toEqual({ at: 55, lasts: 50 });
    const came = { trueHours: 0, at: at('2030-01-01') };
    expect(itemState({ item: OIL, done: null, came }, { ...came, trueHours: 1 }).share).toBe(0.8);
  });

  test('what hangs on the calendar alone has no hours, and the other way round', () => {
    const came = { trueHours: 7, at: at('2030-01-01') };
    const now = { trueHours: 9, at: at('2030-01-11') };
    const monthly = itemState({ item: { id: 'b', every: { months: 1 } }, done: null, came }, now);
    expect([monthly.dueHours, monthly.hoursLeft, monthly.daysLeft]).toEqual([null, null, 21]);
    const hourly = itemState({ item: { id: 'f', every: { hours: 25 } }, done: null, came }, now);
    expect([hourly.dueAt, hourly.daysLeft, hourly.hoursLeft]).toEqual([null, null, 23]);
    expect(intervalDays({ hours: 50, months: 12 }, 2)).toBe(25);
    expect(intervalDays({ hours: 50, months: 1 }, 0.1)).toBeCloseTo(30.44, 2);
  });
});

describe('when it falls due', () => {
  const use = { shape: 40, rate: 10, hireSpread: 0.3 };

  test('the band holds the quantiles, by the incomplete beta function of another library (NIST DLMF 8.17)', () => {
    const { early, expected, late } = whenReached(30, use, 0.5);
    expect(expected).toBeCloseTo(15, 10);
    const reached = (days: number): number => {
      const hires = days * 0.5;
      const successes = 1 / (1 / 40 + (0.3 / Math.max(hires / 2, 1)) * (1 + 1 / 40));
      // P(X ≥ 30) of a negative binomial with the mean of 4 h a hire day.
      return 1 - jStat.ibeta(successes / (successes + 4 * hires), successes, 30);
    };
    expect(reached(early)).toBeCloseTo(0.1, 2);
    expect(reached(late)).toBeCloseTo(0.9, 2);
    expect(early).toBeLessThan(expected);
    expect(late).toBeGreaterThan(expected);
  });

  test('so it does near and far, evenly and unevenly used, by the same library', () => {
    const cases = [1, 7.5, 30, 200, 900].flatMap((hours) =>
      [0, 0.3, 2].flatMap((hireSpread) => [0.05, 0.4, 1].map((share) => ({ hours, hireSpread, share }))),
    );
    for (const { hours, hireSpread, share } of cases) {
      const reached = (days: number): number => {
        const onHire = days * share;
        const successes = 1 / (1 / 12 + (hireSpread / Math.max(onHire / 2, 1)) * (1 + 1 / 12));
        return 1 - jStat.ibeta(successes / (successes + 3 * onHire), successes, Math.ceil(hours));
      };
      // Reached then and not two grains before, where it is foretold so far ahead.
      const holds = (days: number, wanted: number): void => {
        const before = days - 2 * Math.max(0.01, days / 500);
        if (days < FURTHEST.value) expect(reached(days)).toBeGreaterThanOrEqual(wanted - 1e-6);
        if (before > 0) expect(reached(before)).toBeLessThan(wanted);
      };
      const { early, late } = whenReached(hours, { shape: 12, rate: 4, hireSpread }, share);
      holds(early, 0.1);
      holds(late, 0.9);
    }
  });

  test('due is now, never used is never, and the calendar cuts it off', () => {
    expect(whenReached(0, use, 0.5)).toEqual({ early: 0, expected: 0, late: 0 });
    expect(whenReached(50, use, 0.0001).late).toBe(FURTHEST.value);
    expect(fallsDueIn({ hoursLeft: 30, daysLeft: 3 }, use, 0.5)).toEqual({ early: 3, expected: 3, late: 3 });
    expect(fallsDueIn({ hoursLeft: null, daysLeft: -4 }, use, 0.5)).toEqual({ early: 0, expected: 0, late: 0 });
    expect(fallsDueIn({ hoursLeft: 30, daysLeft: null }, use, 0.5).expected).toBeCloseTo(15, 10);
    // Without its band it is the same.
    const left = [null, -2, 0, 3, 30, 1e9];
    for (const hoursLeft of left)
      for (const daysLeft of left)
        for (const share of [0, 0.5])
          expect(expectedIn({ hoursLeft, daysLeft }, use, share)).toBe(
            fallsDueIn({ hoursLeft, daysLeft }, use, share).expected,
          );
  });

  test('the share of days on hire is its own, shrunk to what is usual', () => {
    expect(shareOnHire(0, 0)).toBe(SHARE_OUT.value);
    expect(shareOnHire(60, 39)).toBeCloseTo(0.5, 10);
    expect(shareOnHire(10, 999)).toBeLessThanOrEqual(1);
  });

  test('which booked hire it runs out in', () => {
    const hire = (reference: string, from: string, to: string) => ({ reference, fromAt: at(from), toAt: at(to) });
    const hires = [hire('B-1', '2030-05-01', '2030-05-03'), hire('B-2', '2030-05-05', '2030-05-07')];
    expect(runsOutDuring({ hoursLeft: 12, dueAt: null, share: 0.5 }, hires, 5)).toBe('B-2');
    expect(runsOutDuring({ hoursLeft: 20, dueAt: null, share: 0.5 }, hires, 5)).toBeNull();
    expect(runsOutDuring({ hoursLeft: null, dueAt: at('2030-05-02'), share: 0.1 }, hires, 5)).toBe('B-1');
    expect(runsOutDuring({ hoursLeft: -1, dueAt: null, share: -0.1 }, hires, 5)).toBeNull();
  });
});

describe('doing things together', () => {
  const ahead = fc.record({
    dueIn: fc.integer({ min: 0, max: 60 }),
    interval: fc.integer({ min: 5, max: 400 }),
    minutes: fc.integer({ min: 5, max: 60 }),
    partsMinutes: fc.integer({ min: 0, max: 90 }),
  });
  const priceOf = ({ dueIn, interval, minutes, partsMinutes = 0 }: Ahead, day: number): number =>
    day <= dueIn
      ? ((minutes + partsMinutes) * Math.min(dueIn - day, interval)) / interval
      : LATE_MINUTES.value * (day - dueIn);
  /** Every set of days there is, each item on its cheapest. */
  const cheapest = (items: readonly Ahead[], isOpen: boolean, days: readonly number[]): number => {
    let best = Infinity;
    for (let set = 1; set < 2 ** days.length; set++) {
      const chosen = days.filter((_, i) => set & (1 << i));
      const visits = chosen.filter((day) => !(isOpen && day === 0)).length * VISIT_MINUTES.value;
      best = Math.min(
        best,
        items.reduce((sum, item) => sum + Math.min(...chosen.map((day) => priceOf(item, day))), visits),
      );
    }
    return best;
  };

  test('is as cheap as the best of all sets of days, on days between the due ones too', () => {
    fc.assert(
      fc.property(fc.array(ahead, { minLength: 1, maxLength: 5 }), fc.boolean(), (drawn, isOpen) => {
        const items = drawn.map((item, i) => ({ ...item, id: `${i}` }));
        const due = items.map(({ dueIn }) => dueIn);
        const days = [...new Set([0, ...due, ...due.map((day) => Math.floor(day / 2)), ...due.map((day) => day + 3)])];
        const { cost, saved, visits } = groupVisits(items, isOpen);
        expect(cost).toBeCloseTo(cheapest(items, isOpen, days), 8);
        expect(visits.flatMap(({ ids }) => ids).sort()).toEqual(items.map(({ id }) => id));
        const priced = visits.reduce(
          (sum, { inDays, ids }) =>
            sum +
            (isOpen && inDays === 0 ? 0 : VISIT_MINUTES.value) +
            items.filter(({ id }) => ids.includes(id)).reduce((all, item) => all + priceOf(item, inDays), 0),
          0,
        );
        expect(priced).toBeCloseTo(cost, 8);
        expect(saved).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 25 },
    );
  });

  test('two that fall due near each other go together; what is far off waits; an open visit takes more', () => {
    const oil = { id: 'oil', dueIn: 3, interval: 30, minutes: 25 };
    const plug = { id: 'plug', dueIn: 5, interval: 60, minutes: 10 };
    const lash = { id: 'lash', dueIn: 110, interval: 120, minutes: 60 };
    const { visits, saved } = groupVisits([oil, plug, lash], false);
    expect(visits).toEqual([
      { inDays: 3, ids: ['oil', 'plug'] },
      { inDays: 110, ids: ['lash'] },
    ]);
    expect(saved).toBeCloseTo(VISIT_MINUTES.value - (10 * 2) / 60, 8);
    expect(groupVisits([oil, plug, lash], true).visits[0]).toEqual({ inDays: 0, ids: ['oil', 'plug'] });
    expect(groupVisits([], true)).toEqual({ visits: [], cost: 0, saved: 0 });
    // A dear kit is not thrown away for the way to the bench.
    const dear = { ...plug, dueIn: 25, partsMinutes: 200 };
    expect(groupVisits([oil, { ...dear, partsMinutes: 0 }], false).visits).toHaveLength(1);
    expect(groupVisits([oil, dear], false).visits).toHaveLength(2);
  });
});

describe('the plans', () => {
  test.each(CLASS_IDS)(
    '%s: intervals above nothing, no loop in what includes what, steps that tell items apart',
    (id) => {
      const { items } = SERVICE_PLANS[id];
      expect(loopIn(items)).toBeNull();
      for (const { every, firstHours = 1, minutes } of items) {
        expect([...Object.values(every)].length).toBeGreaterThan(0);
        expect(Math.min(...Object.values(every), firstHours, minutes)).toBeGreaterThan(0);
      }
      const keys = items.flatMap((item) => [item.id, ...(item.doneBy ?? [])]);
      expect(new Set(items.map((item) => item.id)).size).toBe(items.length);
      expect(keys.filter((key) => key === 'oil-in')).toHaveLength(1);
    },
  );

  test('the bigger does the smaller; a loop is found and ends (common practice)', () => {
    expect(withIncluded(['air-filter'], SERVICE_PLANS.tiller.items)).toEqual(['air-filter', 'pre-filter']);
    const loop = [
      { id: 'a', includes: ['b'] },
      { id: 'b', includes: ['a'] },
    ];
    expect(withIncluded(['a'], loop)).toEqual(['a', 'b']);
    expect(loopIn(loop)).toBe('a');
    expect(loopIn([{ id: 'a', includes: ['gone'] }])).toBe('a');
  });

  test('nothing is raised twice: the oil’s job does pre-filter and plug, the air filter’s the pre-filter', () => {
    const { items } = SERVICE_PLANS.tiller;
    const does = (work: string) => doneBySteps(stepsOfService(work), items);
    expect(does('oil-service')).toEqual(['engine-oil', 'pre-filter', 'plug']);
    expect(does('service-air-filter')).toEqual(['air-filter', 'pre-filter']);
    expect(does('by-hand-1')).toEqual(does('oil-service'));
    const chosen = items.filter(({ id }) => ['pre-filter', 'plug', 'engine-oil', 'belts'].includes(id));
    expect(itemsWithJobs(chosen, (item) => does(workOfItem(item))).map(({ id }) => id)).toEqual([
      'engine-oil',
      'belts',
    ]);
    expect(doneBySteps([], items)).toEqual([]);
  });

  test('an item’s job makes it safe, then goes step by step, and its last step is the item; what runs is not made safe', () => {
    for (const item of SERVICE_ITEMS.filter(({ id }) => id !== 'engine-oil')) {
      const keys = stepsOfService(workOfItem(item));
      expect([item.id, keys.at(-1), keys.length > 2]).toEqual([item.id, `do-${item.id}`, true]);
      expect([item.id, keys.includes('make-safe')]).toEqual([item.id, item.id !== 'load-transfer']);
      expect(doneBySteps(keys.slice(0, -1), [item])).toEqual([]);
    }
    const readings = (work: string) => (STEPS_OF_WORK[work] ?? []).flatMap(({ reading }) => reading ?? []);
    expect(['service-valve-lash', 'service-plug', 'service-battery-care'].flatMap(readings)).toEqual([
      'valve-lash',
      'plug-gap',
      'battery',
    ]);
  });

  test('facts of the trade (common practice): 25, 50, 100 h; pump oil 50 then 500; hydraulic filter 25 then 150', () => {
    const item = (plan: keyof typeof SERVICE_PLANS, id: string) =>
      SERVICE_PLANS[plan].items.find((one) => one.id === id);
    expect(item('tiller', 'pre-filter')?.every).toEqual({ hours: 25 });
    expect(item('tiller', 'engine-oil')).toMatchObject({ every: { hours: 50 }, firstHours: 5 });
    expect(item('tiller', 'plug')?.every).toEqual({ hours: 100, months: 12 });
    expect(item('pressure-washer', 'pump-oil')).toMatchObject({ every: { hours: 500 }, firstHours: 50 });
    expect(item('log-splitter', 'hydraulic-filter')).toMatchObject({ every: { hours: 150 }, firstHours: 25 });
    expect(item('log-splitter', 'hydraulic-fluid')?.every).toEqual({ months: 12 });
    expect(item('generator', 'load-transfer')?.every).toEqual({ months: 1 });
  });
});

describe('an item on hire', () => {
  const state = (hoursLeft: number | null, daysLeft: number | null = null, share = 0.5) => ({
    hoursLeft,
    daysLeft,
    share,
  });

  test.each([
    [state(12), 'runs-out'],
    [state(15), 'lasts'],
    [state(null, 2), 'runs-out'],
    [state(null, 3), 'lasts'],
    [state(40, 40, -0.1), 'overdue'],
  ] as const)('three days at five hours: %j %s', (item, says) => expect(onHire(item, 5, 3)).toBe(says));
});
