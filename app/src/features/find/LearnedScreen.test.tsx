import { screen, waitFor } from '@testing-library/react-native';
import { IVO, press, show } from '@/testing/screen';
import { LearnedScreen } from './LearnedScreen';

const learned = {
  version: 3,
  since: null,
  lessons: [
    { classId: 'generator', family: 'coil-4-petrol', cases: 4, counts: { 'main-jet-blocked': 3, 'plug-fouled': 1 } },
  ],
};

describe('what the yard has learned', () => {
  test('counts by class and family, what moved most first', async () => {
    show(<LearnedScreen />, { 'GET /api/learned': learned });
    expect(await screen.findByText('4 proven causes have taught the odds.')).toBeTruthy();
    expect(screen.getByText('Main jet blocked')).toBeTruthy();
    expect(screen.getByText(/^3 · odds × /)).toBeTruthy();
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
