import type { Status } from '@hudrik/core/contracts';
import { TROUBLES } from '@hudrik/core/contracts';
import { screen, waitFor } from '@testing-library/react-native';
import { IVO, press, show } from '@/testing/screen';
import { sayBytes, sayTrouble } from './sayTrouble';
import { StatusNotice } from './StatusNotice';
import { StatusScreen } from './StatusScreen';

const LEAD = { ...IVO, role: 'lead' } as const;
const AT = '2030-03-04T02:00:00Z';
const status = (more: Partial<Status> = {}): Status => ({
  ...{ at: AT, version: '0.1.0', startedAt: AT, troubles: [] },
  database: {
    ...{ version: '15.8', bytes: 26_000_000, role: 'hudrik_app', isSuperuser: false, hasChecksums: true },
    ...{ migration: '0024_backups', connections: 8, records: 24_000 },
  },
  disk: { freeBytes: 1.2e9, totalBytes: 5e11 },
  backups: { folder: '/data/backups', keep: 14, last: { at: AT, bytes: 1_300_000, rows: 23_758 }, failed: null },
  queue: { waiting: 0, oldestAt: null, failing: [] },
  tasks: [],
  clockJump: null,
  outside: [{ name: 'supplier', answeredAt: null, problem: 'away' }],
  devices: { letIn: 4, seenToday: 3, signedIn: 5, waiting: [] },
  copy: null,
  ...more,
});

test('all is well: what there is, and a backup at a tap', async () => {
  const server = show(<StatusScreen />, { 'GET /api/status': status(), 'POST /api/backups': status() }, LEAD);
  expect(await screen.findByText('All is well with Hudrik.')).toBeTruthy();
  expect(screen.getByText(/23,758 rows, 1\.3 MB$/)).toBeTruthy();
  expect(screen.getByText('never answered; away')).toBeTruthy();
  await press('Write one now');
  await waitFor(() => expect(server.sent.length).toBe(1));
  expect(await screen.findByText('It is being written')).toBeTruthy();
});

test('what is wrong comes first, each with what to do', async () => {
  const failed = { at: AT, why: 'no space left on the device' };
  const troubles: Status['troubles'] = ['backup-failed', 'disk-low'];
  const queue = { waiting: 2, oldestAt: AT, failing: [{ task: 'back-up', tries: 3, why: 'no answer' }] };
  show(
    <StatusScreen />,
    { 'GET /api/status': status({ troubles, queue, backups: { ...status().backups, failed } }) },
    LEAD,
  );
  expect(await screen.findByText('2 things are wrong.')).toBeTruthy();
  expect(
    screen.getByText('The last backup did not come off (no space left on the device). Have one written now.'),
  ).toBeTruthy();
  expect(screen.getByText('Only 1.2 GB are free on the disk. Make room before it is full.')).toBeTruthy();
  expect(screen.getByText('back-up: tried 3 times. no answer')).toBeTruthy();
});

test('a copy of the records says how far behind it is, or that it is away or has taken over; devices say what waits', async () => {
  const waiting = [
    { name: 'Shed phone', count: 12, since: AT, seenAt: AT },
    { name: 'Van phone', count: 1, since: null, seenAt: AT },
  ];
  const copy = { isThere: true, tookOver: false, behindBytes: 26_000, behindSeconds: 95.4, log: null };
  const devices = { ...status().devices, waiting };
  show(<StatusScreen />, { 'GET /api/status': status({ copy, devices }) }, LEAD);
  expect(await screen.findByText('is 95 s behind, 26 kB')).toBeTruthy();
  expect(screen.getByText(/^12 entries, the oldest .*; the device was seen /)).toBeTruthy();
  expect(screen.getByText(/^one entry; the device was seen /)).toBeTruthy();
  const said = async (more: Partial<typeof copy>) => {
    show(<StatusScreen />, { 'GET /api/status': status({ copy: { ...copy, ...more } }) }, LEAD);
    return (await screen.findByText(/^(is|has) /)).props.children as string;
  };
  expect(await said({ behindBytes: 0 })).toBe('is level with them');
  expect(await said({ isThere: false })).toBe('is away');
  expect(await said({ tookOver: true })).toBe('has taken over');
});

test('what is done again and again: nothing but what does not go well, and since when in the trouble', async () => {
  const well = { wellAt: AT, failingSince: null, failures: 0, why: null };
  const failing = { task: 'read-desk', wellAt: AT, failingSince: AT, failures: 3, why: 'No answer.' } as const;
  const tasks = [{ task: 'clean-up', ...well } as const, failing];
  show(<StatusScreen />, { 'GET /api/status': status({ tasks, troubles: ['task-failing'] }) }, LEAD);
  expect(await screen.findByText(/^Reading the desk’s hires has failed since .*: No answer\.$/)).toBeTruthy();
  expect(screen.getByText(/^went well .*; failed 3 times since$/)).toBeTruthy();
  expect(screen.queryByText('Clearing away what is over')).toBeNull();
  screen.unmount();
  show(<StatusScreen />, { 'GET /api/status': status({ tasks: tasks.slice(0, 1) }) }, LEAD);
  expect(await screen.findByText('All of it went well the last time.')).toBeTruthy();
});

test('a clock that was put on or back is said by how much', () => {
  const said = (seconds: number) => sayTrouble('clock-jumped', status({ clockJump: { foundAt: AT, seconds } }));
  expect(said(3_456_000)).toMatch(/slept for 40 days, or its clock was put on\./);
  expect(said(-7200)).toMatch(/had its clock put back by 2 hours\./);
  expect(said(-90)).toMatch(/had its clock put back by 2 minutes\./);
});

test('each trouble has its sentence; sizes as people say them', () => {
  const said = TROUBLES.map((trouble) => sayTrouble(trouble, status()));
  expect(new Set(said).size).toBe(TROUBLES.length);
  expect([0, 999, 1000, 1_300_000, 26_000_000_000].map(sayBytes)).toEqual([
    '0 bytes',
    '999 bytes',
    '1.0 kB',
    '1.3 MB',
    '26 GB',
  ]);
});

test('on a lead’s shift in one line; nobody else is asked to mind it', async () => {
  const late = status({ troubles: ['backup-late', 'disk-low'] });
  show(<StatusNotice />, { 'GET /api/status': late }, LEAD);
  expect(await screen.findByText(/^No good backup since .* And 1 more\.$/)).toBeTruthy();
});

test('not on a technician’s', () => {
  const server = show(<StatusNotice />, {});
  expect(server.sent).toEqual([]);
  expect(screen.queryByRole('status')).toBeNull();
});
