import AsyncStorage from '@react-native-async-storage/async-storage';
import { screen, waitFor } from '@testing-library/react-native';
import { Text } from 'react-native';
import { call } from '@/api';
import { MoreScreen } from '@/features/settings';
import { IVO, press, refusal, show } from '@/testing/screen';
import { SessionGate } from './useSession';

// The theme is set on a document, which there is none of here.
jest.mock('nativewind', () => ({
  ...jest.requireActual<object>('nativewind'),
  useColorScheme: () => ({ setColorScheme: () => undefined }),
}));

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
  expect(await keys()).toEqual(['hudrik-draft', 'hudrik-read-["shift",{},{}]']);
});

test('who signs out leaves nothing that they read on the device', async () => {
  await AsyncStorage.multiSet(KEPT);
  show(<MoreScreen />, { 'DELETE /api/session': {} });
  await press(/^Sign out/);
  await waitFor(async () => expect(await keys()).toEqual(['hudrik-draft']));
});
