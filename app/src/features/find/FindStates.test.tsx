import { screen } from '@testing-library/react-native';
import { router } from 'expo-router';
import { press, show } from '@/testing/screen';
import { findingOf } from './finding';
import { Closed } from './FindStates';
import type { FindingHandle } from './useFinding';

const found = (jobId: string | null) => {
  const finding = {
    ...findingOf('GE-07', null, { id: 'f', machine: { engine: {}, past: {} } }, []),
    closedAt: '2030-03-04T09:00:00Z',
    causes: ['coil-failed'],
    jobId,
  };
  return show(<Closed handle={{ finding } as unknown as FindingHandle} tag="GE-07" />, {});
};

test('from what was found to its card', async () => {
  found('7');
  expect(screen.getByText('Coil failed')).toBeTruthy();
  await press('To its card');
  expect(router.replace).toHaveBeenLastCalledWith('/j/7');
});

test('while the card is not known, as without a connection, the unit leads on', async () => {
  found(null);
  expect(screen.queryByRole('button', { name: 'To its card' })).toBeNull();
  await press('See GE-07');
  expect(router.replace).toHaveBeenLastCalledWith('/u/GE-07');
});

test('the record says which card: none before the server has it', () => {
  expect(findingOf('GE-07', null, { id: 'f', machine: undefined }, []).jobId).toBeNull();
});
