import AsyncStorage from '@react-native-async-storage/async-storage';
import { QueryClientProvider } from '@tanstack/react-query';
import { render, screen, waitFor } from '@testing-library/react-native';
import { Text } from 'react-native';
import { call, queryClient } from '@/api';
import { MoreScreen } from '@/features/settings';
import { FakeServer, IVO, press, pressable, refusal, show } from '@/testing/screen';
import { SessionGate } from './useSession';

// The theme is set on a document, which there is none of here.
jest.mock('nativewind', () => ({
  ...jest.requireActual<object>('nativewind'),
  useColorScheme: () => ({ setColorScheme: () => undefined }),
}));

// The app's own store of reads forgets after a day; a test run does not wait for that.
beforeAll(() => {
  const { queries, mutations } = queryClient.getDefaultOptions();
  const gcTime = Number.POSITIVE_INFINITY;
  queryClient.setDefaultOptions({ queries: { ...queries, gcTime }, mutations: { ...mutations, gcTime } });
});

const KEPT: [string, string][] = [
  ['hudrik-read-["me",{},{}]', '{}'],
  ['hudrik-read-["shift",{},{}]', '{}'],
  ['hudrik-draft', 'of a check-in'],
];
const keys = async () => [...(await AsyncStorage.getAllKeys())].toSorted();

test('whom the server no longer knows is signed out here, and not let in again by what was kept of them', async () => {
  await AsyncStorage.multiSet(KEPT);
  const replies: Record<string, object> = {
    'GET /api/session': IVO,
    'GET /api/units': refusal(401, 'not-signed-in'),
    'GET /api/sign-in-options': { yard: 'Y', demo: false, wantsFirstLead: false, isLetIn: true, people: [] },
  };
  show(
    <SessionGate>
      <Text>the yard</Text>
    </SessionGate>,
    replies,
  );
  expect(await screen.findByText('the yard')).toBeTruthy();
  replies['GET /api/session'] = refusal(401, 'not-signed-in');
  await expect(call('units')).rejects.toThrow();
  expect(await screen.findByText(/Who is on shift\?/)).toBeTruthy();
  expect(screen.queryByText('the yard')).toBeNull();
  await waitFor(async () => expect(await keys()).toEqual(['hudrik-draft']));
});

test('who signs in is kept from then on: loaded again without a connection, they are still in', async () => {
  let isIn = false;
  const replies = {
    'GET /api/session': () => (isIn ? IVO : refusal(401, 'not-signed-in')),
    'POST /api/session': () => {
      isIn = true;
      return IVO;
    },
    'GET /api/sign-in-options': {
      ...{ yard: 'Y', demo: false, wantsFirstLead: false, isLetIn: true },
      people: [{ id: 2, name: 'Ivo Tarnwell', role: 'technician', demoPin: '1207' }],
    },
  };
  const server = new FakeServer(replies);
  const load = () =>
    render(
      <QueryClientProvider client={queryClient}>
        <SessionGate>
          <Text>the yard</Text>
        </SessionGate>
      </QueryClientProvider>,
    );
  load();
  await press(/^Ivo Tarnwell/);
  expect(await screen.findByText('the yard')).toBeTruthy();
  await waitFor(async () => expect(await keys()).toContain('hudrik-read-["me",{},{}]'));
  await new Promise((resolve) => setTimeout(resolve, 100));
  expect(await keys()).toContain('hudrik-read-["me",{},{}]');
  screen.unmount();
  queryClient.clear();
  server.isAway = true;
  load();
  expect(await screen.findByText('the yard')).toBeTruthy();
});

test('who signs out leaves nothing that they read on the device', async () => {
  await AsyncStorage.multiSet(KEPT);
  show(<MoreScreen />, { 'DELETE /api/session': {} });
  // The server was away before: it is asked anew.
  await pressable(/^Sign out/);
  await press(/^Sign out/);
  await waitFor(async () => expect(await keys()).toEqual(['hudrik-draft']));
});
