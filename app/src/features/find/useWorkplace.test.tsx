import { screen } from '@testing-library/react-native';
import { kv } from '@/api';
import { Words } from '@/design';
import { show } from '@/testing/screen';
import { useWorkplace } from './useWorkplace';

const SETTINGS = { yard: 'Ours', currency: 'USD', locale: 'en-US', timeZone: 'UTC', heightM: 1650 };
const Height = () => <Words>{`${useWorkplace()[0].altitudeM} m`}</Words>;

test('until somebody says otherwise on this device, it is as high as its yard', async () => {
  show(<Height />, { 'GET /api/settings': SETTINGS });
  expect(await screen.findByText('1650 m')).toBeTruthy();
});

test('what was said on this device stays', async () => {
  await kv.setItem('hudrik-workplace', JSON.stringify({ toolsAtHand: null, altitudeM: 20 }));
  show(<Height />, { 'GET /api/settings': SETTINGS });
  expect(await screen.findByText('20 m')).toBeTruthy();
});
