import { screen, waitFor } from '@testing-library/react-native';
import type { Settings } from '@hudrik/core/contracts';
import { press, pressable, show, type } from '@/testing/screen';
import { OwnFuel } from './OwnFuel';
import { OwnYear } from './OwnYear';

const settings: Settings = { yard: 'Ours', currency: 'USD', locale: 'en-US', timeZone: 'UTC', serviceLevel: 0.9 };
const FIELD = 'Coldest start of each month, January to December, °C';

test('how surely a part should lie there, and twelve coldest starts: others stay as they are', async () => {
  const server = show(<OwnYear settings={settings} />, { 'PUT /api/settings': settings });
  await press('99');
  await type(FIELD, '-9, −8 -7 -6 -5; 4 3 2 1 0 -1');
  expect(screen.getByText('Enter twelve figures from -60 to 40, with commas between.')).toBeTruthy();
  await type(FIELD, '-9, −8 -7 -6 -5; 4 3 2 1 0 -1 -2');
  await pressable('Save the coldest starts');
  await press('Save the coldest starts');
  const { serviceLevel: _, ...yard } = settings;
  await waitFor(() =>
    expect(server.sent.map(({ body }) => body)).toEqual([
      { ...yard, serviceLevel: 0.99 },
      { ...yard, coldestStarts: [-9, -8, -7, -6, -5, 4, 3, 2, 1, 0, -1, -2] },
    ]),
  );
});

test('what hirers put in, and the stabiliser by its label', async () => {
  const fuel = { ...settings, unknownFuel: 'e10', stabiliserMl: 5, stabiliserCents: 8 } as const;
  const server = show(<OwnFuel settings={fuel} />, { 'PUT /api/settings': fuel });
  await press('Alkylate');
  await type('Stabiliser by its label, ml to a litre', '0');
  expect(screen.getByText('Enter its dose and its price.')).toBeTruthy();
  await type('Stabiliser by its label, ml to a litre', '2,5');
  await pressable('Save the stabiliser');
  await press('Save the stabiliser');
  await waitFor(() =>
    expect(server.sent.map(({ body }) => body)).toMatchObject([
      { unknownFuel: 'alkylate' },
      { stabiliserMl: 2.5, stabiliserCents: 8 },
    ]),
  );
});
