import { screen, waitFor } from '@testing-library/react-native';
import { IVO, press, show, type } from '@/testing/screen';
import { AddUnitScreen } from './AddUnitScreen';

const LEAD = { ...IVO, role: 'lead' } as const;
const models = [
  { id: 3, classId: 'pressure-washer', make: 'Tuvellan', name: 'Jet 200' },
  { id: 4, classId: 'generator', make: 'Tuvellan', name: 'Hum 50' },
];

test('a new model is as another one of its class, or by itself', async () => {
  const server = show(<AddUnitScreen />, { 'GET /api/models': { models }, 'POST /api/models': { ...models[0] } }, LEAD);
  await press('Another model');
  expect(screen.queryByLabelText('As Tuvellan Hum 50')).toBeNull();
  await type('Make', 'Tuvellan');
  await type('Model', 'Jet 250');
  await press('As Tuvellan Jet 200');
  await press('Add the model');
  await waitFor(() =>
    expect(server.sent[0]?.body).toEqual({ classId: 'pressure-washer', make: 'Tuvellan', name: 'Jet 250', copyOf: 3 }),
  );
  await press('Another model');
  await type('Model', 'Jet 300');
  await press('None');
  await press('Add the model');
  await waitFor(() =>
    expect(server.sent[1]?.body).toEqual({ classId: 'pressure-washer', make: 'Tuvellan', name: 'Jet 300' }),
  );
});
