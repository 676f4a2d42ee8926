import fc from 'fast-check';
import type { ServiceItem, ServicePlan } from '../catalogue/shapes';
import { itemState } from './itemState';
import { planOf, wrongOfPlan, type OwnItem, type OwnPlan } from './planOf';
import { loopIn } from './withIncluded';

const item = (id: string, more: Partial<ServiceItem> = {}): ServiceItem => ({
  id,
  name: id,
  steps: [{ title: id }],
  every: { hours: 50, months: 12 },
  includes: [],
  minutes: 20,
  proof: [],
  source: { kind: 'judgement' } as never,
  ...more,
});
const ofClass: ServicePlan = {
  version: 1,
  items: [item('oil', { firstHours: 5, includes: ['filter'] }), item('filter', { every: { hours: 25 } })],
};
const own = (items: readonly OwnItem[], more: Partial<OwnPlan> = {}): OwnPlan => ({
  severity: 1,
  anchorMonth: null,
  items,
  ...more,
});
const oilOf = (plan: OwnPlan | null) => planOf(ofClass, plan, 2).items.find(({ id }) => id === 'oil');

describe('a model’s own plan', () => {
  test('without one it is its class’s', () => expect(planOf(ofClass, null, 1)).toEqual({ ...ofClass, kits: {} }));

  test('what it says comes first, what it does not say stays', () => {
    expect(oilOf(own([{ id: 'oil', hours: 100 }]))).toMatchObject({
      every: { hours: 100, months: 12 },
      firstHours: 5,
      minutes: 20,
    });
    expect(oilOf(own([{ id: 'oil', hours: null, firstHours: null, minutes: 30 }]))).toMatchObject({
      every: { months: 12 },
      minutes: 30,
    });
    expect(oilOf(own([{ id: 'oil', firstHours: null }]))?.firstHours).toBeUndefined();
  });

  test('a unit that works harder than its model has fewer hours still, with a plan of its model’s or none, down to a fifth', () => {
    const every = (plan: OwnPlan | null, ofUnit: number) =>
      planOf(ofClass, plan, 2, ofUnit).items.find(({ id }) => id === 'oil')?.every;
    const hours = oilOf(null)?.every.hours ?? 0;
    expect(every(null, 0.5)).toEqual({ ...oilOf(null)?.every, hours: hours / 2 });
    expect(every(own([{ id: 'oil', hours: 100 }], { severity: 0.5 }), 0.7)?.hours).toBe(35);
    expect(every(own([{ id: 'oil', hours: 100 }], { severity: 0.3 }), 0.5)?.hours).toBe(20);
  });

  test('hard work shrinks hours and no months; what it has not is in nothing else', () => {
    expect(oilOf(own([{ id: 'oil', hours: 100 }], { severity: 0.5 }))?.every).toEqual({ hours: 50, months: 12 });
    const plan = planOf(
      ofClass,
      own([
        { id: 'filter', isOff: true, kit: 'K-1' },
        { id: 'oil', kit: 'K-2' },
      ]),
      7,
    );
    expect(plan.items.map(({ id, includes }) => [id, includes])).toEqual([['oil', []]]);
    expect(plan).toMatchObject({ version: 7, kits: { oil: 'K-2' } });
  });

  test('with a season it falls due at the beginning of its month, the nearest to a year on', () => {
    const yearly = planOf(ofClass, own([], { anchorMonth: 4 }), 2).items[0] ?? item('none');
    const came = { trueHours: 0, at: new Date('2028-01-01T00:00:00Z') };
    const due = (done: string) =>
      itemState(
        { item: yearly, done: { trueHours: 0, at: new Date(done) }, came },
        { trueHours: 0, at: new Date(done) },
      ).dueAt;
    expect(due('2030-02-10T00:00:00Z')).toEqual(new Date('2031-04-01T00:00:00Z'));
    expect(due('2030-09-10T00:00:00Z')).toEqual(new Date('2031-04-01T00:00:00Z'));
    expect(due('2030-11-10T00:00:00Z')).toEqual(new Date('2032-04-01T00:00:00Z'));
    expect(planOf(ofClass, own([], { anchorMonth: 4 }), 2).items[1]?.anchorMonth).toBeUndefined();
  });

  test.each([
    [own([{ id: 'crane' }]), 'unknown-item', 'crane'],
    [own([{ id: 'oil' }, { id: 'oil' }]), 'twice', 'oil'],
    [own([{ id: 'oil', hours: null, months: null }]), 'no-interval', 'oil'],
    [own([{ id: 'filter', hours: null }]), 'no-interval', 'filter'],
    [own([{ id: 'oil', hours: -5 }]), 'not-positive', 'oil'],
    [own([{ id: 'oil', months: 0 }]), 'not-positive', 'oil'],
    [own([{ id: 'oil', minutes: Number.NaN }]), 'not-positive', 'oil'],
    [own([{ id: 'filter', includes: ['oil'] }]), 'loop', 'oil'],
    [own([], { severity: 0 }), 'severity', null],
    [own([], { severity: 1.1 }), 'severity', null],
    [own([], { anchorMonth: 13 }), 'month', null],
  ])('refused: %j', (plan, code, id) => expect(wrongOfPlan(ofClass, plan)).toEqual({ code, item: id }));

  test('what is not refused has an interval for each item, and no circle', () => {
    const figure = fc.option(fc.oneof(fc.constant(null), fc.integer({ min: -3, max: 300 })), { nil: undefined });
    const items = fc.uniqueArray(
      fc.record({
        id: fc.constantFrom('oil', 'filter'),
        hours: figure,
        months: figure,
        includes: fc.constantFrom(undefined, [], ['oil'], ['filter']),
        isOff: fc.boolean(),
      }),
      { selector: ({ id }) => id },
    );
    fc.assert(
      fc.property(items, fc.double({ min: 0.2, max: 1, noNaN: true }), (many, severity) => {
        const plan = own(many, { severity });
        if (wrongOfPlan(ofClass, plan) !== null) return;
        const made = planOf(ofClass, plan, 2);
        expect(loopIn(made.items)).toBeNull();
        for (const { every } of made.items)
          expect(Math.min(every.hours ?? Infinity, every.months ?? Infinity)).toBeLessThan(Infinity);
        for (const { every } of made.items) expect(Math.min(every.hours ?? 1, every.months ?? 1)).toBeGreaterThan(0);
      }),
    );
  });
});
