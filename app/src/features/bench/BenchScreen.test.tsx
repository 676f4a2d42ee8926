import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { router } from 'expo-router';
import { LOG, taken } from '@/testing/cardReply';
import { jobLine } from '@/testing/samples';
import { press, refusal, show } from '@/testing/screen';
import { benchVisit, sampleBench } from './bench.samples';
import { BenchScreen } from './BenchScreen';

const JOBS = { 'GET /api/jobs': { jobs: [] } };

describe('the bench', () => {
  test('the answer first, then my next with why, then what waits, then the jobs', async () => {
    const bench = sampleBench({
      advice: [{ code: 'meanwhile', id: '1', phaseId: 'w', others: ['2'] }],
      changes: [
        { code: 'new', id: '2', tag: 'PW-12' },
        { code: 'done', id: '9', tag: 'SN-01' },
      ],
    });
    show(<BenchScreen />, {
      'GET /api/bench': bench,
      'GET /api/jobs': {
        jobs: [
          jobLine(),
          jobLine({ id: '8', state: 'open', visit: { id: '4', state: 'waits-part' }, title: 'New gun' }),
          jobLine({ id: '9', blocks: 'prep', kind: 'prep', title: 'Clean it', minutes: 45 }),
        ],
      },
    });
    expect(await screen.findByText('2 units, 1 h 40 of work.')).toBeTruthy();
    expect(screen.getByText('PW-12: while GE-07 waits (drip test).')).toBeTruthy();
    expect(screen.getByText('The plan changed: PW-12 came to the bench.')).toBeTruthy();
    expect(screen.queryByText('SN-01 is off the bench.')).toBeNull();
    await press('1 more change');
    expect(screen.getByText('SN-01 is off the bench.')).toBeTruthy();
    for (const heading of ['My next', 'On the bench', 'Holds a unit', 'Prep and service'])
      expect(await screen.findByText(heading)).toBeTruthy();
    expect(screen.getByText(/waits for a part/)).toBeTruthy();
    fireEvent.press(screen.getByRole('link', { name: 'Card of GE-07' }));
    expect(router.navigate).toHaveBeenLastCalledWith('/j/71');
  });

  test('what waits by itself says until when', async () => {
    const bench = sampleBench();
    const phases = [{ visitId: '1', phaseId: 'w', who: null, from: 0, to: 90 }, ...bench.plan.phases.slice(2)];
    show(<BenchScreen />, { 'GET /api/bench': { ...bench, plan: { ...bench.plan, phases } }, ...JOBS });
    expect(await screen.findByText('Waits by itself')).toBeTruthy();
    expect(screen.getByText('Drip test')).toBeTruthy();
  });

  test('a visit is put to a person, and put back', async () => {
    const server = show(<BenchScreen />, { 'GET /api/bench': sampleBench(), ...JOBS, [LOG]: taken });
    fireEvent.press(await screen.findByLabelText('PW-12: Pump seals'));
    await press('Who does PW-12, and when');
    await press('Runa Veldt');
    await press('Put it there');
    await waitFor(() =>
      expect(server.sent.find(({ method }) => method === 'POST')?.body).toMatchObject({
        kind: 'placed',
        jobId: '72',
        facts: { to: 1, at: null },
      }),
    );
    await press('Undo');
    await waitFor(() =>
      expect(server.sent.filter(({ method }) => method === 'POST').at(-1)?.body).toMatchObject({
        kind: 'placed',
        facts: { to: null, at: null },
      }),
    );
  });

  test('a time that is none is not put', async () => {
    show(<BenchScreen />, { 'GET /api/bench': sampleBench(), ...JOBS });
    fireEvent.press(await screen.findByLabelText('PW-12: Pump seals'));
    await press('Who does PW-12, and when');
    fireEvent.changeText(screen.getByLabelText(/^Begun at/), 'noon');
    expect(screen.getByText('No such time.')).toBeTruthy();
  });

  test('what is in hand is not moved', async () => {
    const visits = [benchVisit('1', 'GE-07', { inHandBy: '2' })];
    show(<BenchScreen />, { 'GET /api/bench': sampleBench({ visits }), ...JOBS });
    fireEvent.press(await screen.findByLabelText('GE-07: Clear the main jet'));
    expect(screen.queryByText('Who and when')).toBeNull();
    expect(screen.getAllByText(/In hand with Ivo Tarnwell/)[0]).toBeTruthy();
  });

  test('a clear bench says so; one that cannot be fetched too', async () => {
    const none = { ...sampleBench({ visits: [] }), plan: { ...sampleBench().plan, visits: [], phases: [] } };
    show(<BenchScreen />, { 'GET /api/bench': none, ...JOBS });
    expect(await screen.findByText('The bench is clear.')).toBeTruthy();
    screen.unmount();
    show(<BenchScreen />, { 'GET /api/bench': refusal(503, 'store-away') });
    expect(await screen.findByText('The bench cannot be fetched just now.')).toBeTruthy();
  });

  test('a longer search is asked for', async () => {
    const server = show(<BenchScreen />, {
      'GET /api/bench': sampleBench(),
      'POST /api/bench/plan': sampleBench(),
      ...JOBS,
    });
    await press('Look for a better plan');
    await waitFor(() => expect(server.sent.find(({ method }) => method === 'POST')?.body).toEqual({ seconds: 10 }));
  });
});
