import { screen, waitFor } from '@testing-library/react-native';
import type { Settings } from '@hudrik/core/contracts';
import { press, show, type } from '@/testing/screen';
import { OwnYard } from './OwnYard';

const settings: Settings = { yard: 'Ours', currency: 'USD', locale: 'en-US', timeZone: 'UTC', serviceLevel: 0.9 };

test('place, height, bays, units and hours: what cannot be is said, others stay as they are', async () => {
  const server = show(<OwnYard settings={settings} />, { 'PUT /api/settings': settings });
  await type('Where it lies, for its labels', ' Slip Road 3 ');
  await type('Metres above the sea', '9000');
  await type('Bays: units that may stand open at a time', '2.5');
  expect(screen.getByText('From -430 to 5500, or nothing.')).toBeTruthy();
  expect(screen.getByText('A whole number from 1 to 99, or nothing.')).toBeTruthy();
  await type('Metres above the sea', '1650');
  await type('Bays: units that may stand open at a time', '');
  await press('Save place, height and bays');
  await press('mm, kPa, N·m');
  await waitFor(() => expect(server.sent).toHaveLength(2));
  await type('Saturday, the yard', '9-13');
  await press('Keep the hours of the yard');
  const { serviceLevel: _, ...yard } = settings;
  await waitFor(() =>
    expect(server.sent.map(({ body }) => body)).toEqual([
      { ...yard, place: 'Slip Road 3', heightM: 1650, bays: null },
      { ...yard, usualUnits: 'metric' },
      { ...yard, openHours: [{ weekday: 6, from: '09:00', to: '13:00' }] },
    ]),
  );
});
