import { screen, waitFor } from '@testing-library/react-native';
import type { Settings } from '@hudrik/core/contracts';
import { press, show, type } from '@/testing/screen';
import { OwnYear } from './OwnYear';

const settings: Settings = { yard: 'Ours', currency: 'USD', locale: 'en-US', timeZone: 'UTC', serviceLevel: 0.9 };
const FIELD = 'Coldest start of each month, January to December, °C';

test('how surely a part should lie there, and twelve coldest starts: others stay as they are', async () => {
  const server = show(<OwnYear settings={settings} />, { 'PUT /api/settings': settings });
  await press('99');
  await type(FIELD, '-9, −8 -7 -6 -5; 4 3 2 1 0 -1');
  expect(screen.getByText('Enter twelve figures from -60 to 40, with commas between.')).toBeTruthy();
  await type(FIELD, '-9, −8 -7 -6 -5; 4 3 2 1 0 -1 -2');
  await press('Save the coldest starts');
  const { serviceLevel: _, ...yard } = settings;
  await waitFor(() =>
    expect(server.sent.map(({ body }) => body)).toEqual([
      { ...yard, serviceLevel: 0.99 },
      { ...yard, coldestStarts: [-9, -8, -7, -6, -5, 4, 3, 2, 1, 0, -1, -2] },
    ]),
  );
});
