import type { ServiceItemState, UnitService } from '@hudrik/core/contracts';
import { screen, waitFor } from '@testing-library/react-native';
import { router } from 'expo-router';
import { LOG, taken } from '@/testing/cardReply';
import { press, refusal, show } from '@/testing/screen';
import { sayDue, sayEvery, sayLeft, sayWhen } from './sayService';
import { ServiceOfUnit } from './ServiceOfUnit';

const state = (id: string, more: Partial<ServiceItemState> = {}): ServiceItemState => ({
  id,
  ...{ every: { hours: 50, months: 12 }, firstHours: null, isOwn: false, fluid: null },
  done: { trueHours: 120, at: '2029-03-04T10:00:00Z' },
  dueHours: 170,
  dueAt: null,
  hoursLeft: 12.5,
  daysLeft: null,
  share: 0.25,
  fallsDueIn: { early: 3, expected: 5, late: 9 },
  runsOutDuring: null,
  jobId: null,
  ...more,
});
const service = (more: Partial<UnitService> = {}): UnitService => ({
  tag: 'GE-07',
  classId: 'generator',
  planVersion: 1,
  severity: 1,
  came: { trueHours: 0, at: '2028-03-04T10:00:00Z' },
  hoursPerHireDay: 3,
  hoursPerDay: 2,
  items: [
    state('engine-oil', { hoursLeft: -2.5, share: -0.05, runsOutDuring: null }),
    state('plug', { runsOutDuring: 'B-1042', jobId: '12' }),
  ],
  visits: [{ inDays: 0, ids: ['pre-filter', 'engine-oil', 'breather'] }],
  savedMinutes: 34,
  fromAfar: null,
  ...more,
});
const reply = (more: Partial<UnitService> = {}) => ({ 'GET /api/units/GE-07/service': service(more) });

describe('the service of a unit', () => {
  test('each item says what is left, as a bar too, and the hire in which it runs out', async () => {
    show(<ServiceOfUnit tag="GE-07" />, reply());
    expect(await screen.findByText('2.5 h overdue')).toBeTruthy();
    expect(screen.getByText('12.5 h left')).toBeTruthy();
    expect(screen.getByText('Runs out before hire B-1042 is back.')).toBeTruthy();
    expect(screen.getByLabelText('Plug: what is left').props['aria-valuenow']).toBe(25);
    expect(screen.getByLabelText('Engine oil: what is left').props['aria-valuenow']).toBe(0);
    await press('Plug: on the card');
    expect(router.navigate).toHaveBeenLastCalledWith('/j/12');
  });

  test('a unit that works hard says so where its hours stand', async () => {
    show(<ServiceOfUnit tag="GE-07" />, reply({ severity: 0.7 }));
    expect(await screen.findByText(/^It works hard: its hours are 70 in 100 of its model’s\./)).toBeTruthy();
    expect(screen.getAllByText(/shortened for hard work\)$/)).toHaveLength(2);
  });

  test('what is best done together is raised at one tap: what the oil’s job does is in it, not a job again', async () => {
    const server = show(<ServiceOfUnit tag="GE-07" />, { ...reply(), [LOG]: taken });
    expect(await screen.findByText('Now: Pre-filter, Engine oil, Breather')).toBeTruthy();
    expect(screen.getByText(/^45 min at the bench; .* saves 34 min/)).toBeTruthy();
    await press('Raise these 2 jobs');
    await waitFor(() => expect(server.sent).toHaveLength(2));
    expect(server.sent.map(({ body }) => body)).toMatchObject([
      { kind: 'job-raised', tag: 'GE-07', facts: { work: 'oil-service', minutes: 25, blocks: 'none' } },
      { kind: 'job-raised', tag: 'GE-07', facts: { work: 'service-breather', minutes: 20 } },
    ]);
  });

  test('what is refused is told, the rest is raised, and none of it twice', async () => {
    let asked = 0;
    const server = show(<ServiceOfUnit tag="GE-07" />, {
      ...reply(),
      [LOG]: (sent) => (asked++ === 0 ? refusal(409, 'already-there') : taken(sent)),
    });
    await press('Raise these 2 jobs');
    expect(await screen.findByText(/^Engine oil: /)).toBeTruthy();
    expect(server.sent).toHaveLength(2);
    expect(screen.getByRole('button', { name: 'Raise these 2 jobs', disabled: true })).toBeTruthy();
  });

  test('a plan that cannot be fetched is said', async () => {
    show(<ServiceOfUnit tag="GE-07" />, {});
    expect(await screen.findByText('The service plan cannot be fetched just now.')).toBeTruthy();
  });

  test('a visit that is weeks off is told, and not raised yet', async () => {
    show(<ServiceOfUnit tag="GE-07" />, reply({ visits: [{ inDays: 15, ids: ['engine-oil'] }] }));
    expect(await screen.findByText(/^About .*: Engine oil$/)).toBeTruthy();
    expect(screen.queryByText(/Raise/)).toBeNull();
  });

  test('with nothing ahead there is nothing to raise', async () => {
    show(<ServiceOfUnit tag="GE-07" />, reply({ visits: [], savedMinutes: 0 }));
    expect(await screen.findByText('12.5 h left')).toBeTruthy();
    expect(screen.queryByText(/Raise/)).toBeNull();
  });
});

describe('what goes in', () => {
  const oil = (more: object) =>
    state('engine-oil', {
      fluid: { grade: '5W-30', amount: { value: 1.1, unit: 'L' }, coldestC: -20, seasonChanged: false, ...more },
    });

  test('how much of which grade, by the coldest start; a change of season is said', async () => {
    show(<ServiceOfUnit tag="GE-07" />, reply({ items: [oil({ seasonChanged: true })] }));
    expect(await screen.findByText('1.1 L of 5W-30, for starts down to −20 °C.')).toBeTruthy();
    expect(screen.getByText(/The season has changed/)).toBeTruthy();
  });

  test('no grade for such a start; no amount', async () => {
    const items = [oil({ grade: null }), { ...oil({ amount: null, coldestC: 4 }), id: 'pump-oil' }];
    show(<ServiceOfUnit tag="GE-07" />, reply({ items }));
    expect(await screen.findByText('1.1 L; its sheet has no grade for starts at −20 °C')).toBeTruthy();
    expect(screen.getByText('5W-30, for starts down to 4 °C.')).toBeTruthy();
    expect(screen.queryByText(/The season has changed/)).toBeNull();
  });

  test('how often by its model’s own plan, where it has one', async () => {
    show(<ServiceOfUnit tag="GE-07" />, reply({ items: [state('plug', { isOwn: true, every: { hours: 80 } })] }));
    expect(await screen.findByText('Every 80 h (this model’s own plan)')).toBeTruthy();
  });
});

describe('in words', () => {
  test.each([
    [{ hoursLeft: 12.5, daysLeft: 40 }, '12.5 h or 40 days left'],
    [{ hoursLeft: null, daysLeft: 1 }, '1 day left'],
    [{ hoursLeft: 4, daysLeft: -3 }, '3 days overdue'],
    [{ hoursLeft: -4, daysLeft: -1 }, '4.0 h and 1 day overdue'],
    [{ hoursLeft: 4, daysLeft: -0.2 }, '4.0 h or 0 days left'],
  ])('%j: %s', (left, words) => {
    expect(sayLeft(left)).toBe(words);
  });

  test('how often, since when and when', () => {
    expect(sayEvery({ every: { hours: 50, months: 12 }, firstHours: 5 })).toBe(
      'Every 50 h or 12 months, new first at 5 h',
    );
    expect(sayEvery({ every: { months: 1 } })).toBe('Every month');
    expect(sayDue(state('plug', { share: 0 }))).toBe('Done 4 Mar 2029 at 120.0 h.');
    expect(sayDue(state('plug', { done: null }))).toMatch(/^Not written down yet.* to .*\(8 in 10\)\.$/);
    expect(sayDue(state('plug', { fallsDueIn: { early: 4, expected: 4, late: 4 } }))).not.toMatch(/8 in 10/);
    expect([sayWhen(0), sayWhen(20).slice(0, 6)]).toEqual(['Now', 'About ']);
  });
});
