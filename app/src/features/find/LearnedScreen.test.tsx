import { screen, waitFor, within } from '@testing-library/react-native';
import { IVO, press, show } from '@/testing/screen';
import { LearnedScreen } from './LearnedScreen';

const learned = {
  version: 3,
  since: null,
  lessons: [
    {
      classId: 'generator',
      family: 'coil-4-petrol',
      cases: 4,
      counts: { 'main-jet-blocked': 3, 'plug-fouled': 1, 'dirt-in-tank': 1 },
      apart: { 'inlet-screen-blocked': 1 },
      brought: { 'dirt-in-tank': { 'inlet-screen-blocked': { looked: 1, found: 1 } } },
      cameBack: { 'plug-fouled': 1 },
    },
  ],
};

describe('what the yard has learned', () => {
  test('counts by class and family, what moved most first', async () => {
    show(<LearnedScreen />, { 'GET /api/learned': learned });
    expect(await screen.findByText('4 proven causes have taught the odds.')).toBeTruthy();
    expect(screen.getByText('Main jet blocked')).toBeTruthy();
    // The link: 0.4 built in is worth twenty cases.
    expect(screen.getByText('Dirt in the tank: inlet screen blocked')).toBeTruthy();
    expect(screen.getByText('1 of 1')).toBeTruthy();
    expect(screen.getByText('1 came back')).toBeTruthy();
    const [before, now, cases] = within(screen.getByLabelText('Main jet blocked'))
      .getAllByText(/^[\d.]+$/)
      .map((one) => Number(one.props['children']));
    expect(now).toBeGreaterThan(before ?? 0);
    expect(cases).toBe(3);
    expect(screen.queryByRole('button', { name: 'Go back to the built-in odds' })).toBeNull();
  });

  test('a lead goes back to the built-in odds, after being asked', async () => {
    const server = show(
      <LearnedScreen />,
      { 'GET /api/learned': learned, 'POST /api/learned/reset': { ...learned, lessons: [] } },
      { ...IVO, role: 'lead' },
    );
    await press('Go back to the built-in odds');
    expect(server.sent).toHaveLength(0);
    await press('Forget what was learned');
    await waitFor(() => expect(server.sent.map((one) => one.path)).toEqual(['/api/learned/reset']));
  });

  test('nothing yet is said', async () => {
    show(<LearnedScreen />, { 'GET /api/learned': { ...learned, lessons: [] } });
    expect(await screen.findByText('Nothing yet: the built-in odds apply.')).toBeTruthy();
  });
});
