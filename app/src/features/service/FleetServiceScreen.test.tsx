import { screen, waitFor } from '@testing-library/react-native';
import type { FleetService } from '@hudrik/core/contracts';
import { LOG, taken } from '@/testing/cardReply';
import { press, refusal, show } from '@/testing/screen';
import { FleetServiceScreen } from './FleetServiceScreen';
import { ServiceOnHire } from './ServiceOnHire';
import { sayFleet } from './sayFleet';

type Item = FleetService['units'][number]['items'][number];
const item = (id: string, more: Partial<Item> = {}): Item => ({
  id,
  share: 0.2,
  fallsDueIn: { early: 3, expected: 5, late: 9 },
  hoursLeft: 12,
  daysLeft: null,
  runsOutDuring: null,
  jobId: null,
  minutes: 25,
  ...more,
});
const week = (minutes: number, overdueMinutes = 0) => ({ fromAt: '2030-05-06T08:00:00Z', minutes, overdueMinutes });
const unit = (tag: string, classId: 'generator' | 'welder', items: readonly Item[]) => ({
  tag,
  classId,
  readiness: 'fit' as const,
  items,
  visits: [{ inDays: 0.5, ids: items.map(({ id }) => id) }],
  savedMinutes: 0,
});
const service: FleetService = {
  at: '2030-05-06T08:00:00Z',
  weeks: [week(50, 30), week(25)],
  units: [
    unit('GE-01', 'generator', [item('engine-oil', { share: -0.1 }), item('plug', { jobId: '12' })]),
    unit('WE-02', 'welder', [item('welding-leads', { runsOutDuring: 'B-1' })]),
  ],
};

describe('the service of the yard', () => {
  test('how much is overdue and due; by class and by item', async () => {
    show(<FleetServiceScreen />, { 'GET /api/service': service });
    expect(await screen.findByText('1 unit is overdue. 1 h 20 of service this week.')).toBeTruthy();
    expect(screen.getByText('overdue')).toBeTruthy();
    expect(screen.getByText('on the card')).toBeTruthy();
    expect(screen.getByText('runs out on B-1')).toBeTruthy();
    await press('Welder');
    expect(screen.queryByText('GE-01')).toBeNull();
    expect(screen.getByText('WE-02')).toBeTruthy();
    await press('All');
    await press('Plug 1');
    expect(screen.queryByText('WE-02')).toBeNull();
  });

  test('a unit’s next visit is raised at one tap', async () => {
    const server = show(<FleetServiceScreen />, {
      'GET /api/service': { ...service, units: service.units.slice(1) },
      [LOG]: taken,
    });
    await press('Raise this job');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'job-raised',
        tag: 'WE-02',
        facts: { kind: 'service', work: 'service-welding-leads' },
      }),
    );
  });

  test('nothing due, and what cannot be fetched', async () => {
    expect(sayFleet({ ...service, units: [] })).toBe('Nothing falls due in the next eight weeks.');
    expect(sayFleet({ ...service, units: service.units.slice(1) })).toMatch(/^Nothing is overdue\./);
    show(<FleetServiceScreen />, { 'GET /api/service': refusal(503, 'store-away') });
    expect(await screen.findByText('The service cannot be fetched just now.')).toBeTruthy();
  });
});

describe('what runs out on hire', () => {
  const reply = (more: Partial<Item>) => ({
    'GET /api/units/GE-01/service': {
      hoursPerHireDay: 4,
      items: [item('plug', more), item('engine-oil', { share: -1 })],
    },
  });

  test('overdue, or out before it is back; the engine oil is asked about elsewhere', async () => {
    show(<ServiceOnHire tag="GE-01" days={4} />, reply({}));
    expect(await screen.findByText('Runs out during this hire: Plug.')).toBeTruthy();
    expect(screen.queryByText(/Engine oil/)).toBeNull();
    screen.unmount();
    show(<ServiceOnHire tag="GE-01" days={4} />, reply({ share: -0.2 }));
    expect(await screen.findByText('Overdue: Plug.')).toBeTruthy();
  });
});
