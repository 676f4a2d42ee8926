import AsyncStorage from '@react-native-async-storage/async-storage';
import { FakeServer, refusal } from '@/testing/screen';
import { askOrKept } from './askOrKept';
import { queryClient } from './QueryProvider';

const ask = () => askOrKept('opening', { tag: 'GE-01' });
const PATH = 'GET /api/units/GE-01/opening';

test('asks each time; where nobody answers, the last answer counts, also after the page was loaded anew', async () => {
  let hours = 12;
  const server = new FakeServer({ [PATH]: () => ({ hours: hours++ }) });
  expect([await ask(), await ask()]).toEqual([{ hours: 12 }, { hours: 13 }]);
  server.isAway = true;
  expect(await ask()).toEqual({ hours: 13 });
  queryClient.clear();
  expect(await ask()).toEqual({ hours: 13 });
  queryClient.clear();
  await AsyncStorage.clear();
  await expect(ask()).rejects.toThrow('cannot be reached');
});

test('what the server says no to is no, whatever was known', async () => {
  const server = new FakeServer({ [PATH]: { hours: 12 } });
  await ask();
  server.replies[PATH] = refusal(404, 'not-found', {}, 'No unit is like that.');
  await expect(ask()).rejects.toThrow('No unit is like that.');
});
