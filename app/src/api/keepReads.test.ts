import AsyncStorage from '@react-native-async-storage/async-storage';
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { Refused } from './client';
import { forgetOldReads, forgetReads, keepRead } from './keepReads';

const KEY = ['unit', { code: 'GE-01' }, {}];
const refused = () =>
  Promise.reject(new Refused({ code: 'not-signed-in', title: 'Nobody is signed in.', status: 401 } as never));
const nobodyAnswers = () => Promise.reject(new Error('nobody answers'));

beforeEach(() => AsyncStorage.clear());
afterEach(() => jest.useRealTimers());

/** A page that is loaded anew and shows this read. Out: all that it showed, in turn. */
function load(answer: () => Promise<string>, queryKey: readonly unknown[] = KEY) {
  const client = new QueryClient({ defaultOptions: { queries: { persister: keepRead, retry: false } } });
  const observer = new QueryObserver(client, { queryKey, queryFn: answer, staleTime: 60_000 });
  const shown: unknown[] = [];
  const leave = observer.subscribe(({ data }) => {
    if (data !== undefined && data !== shown.at(-1)) shown.push(data);
  });
  return {
    shown,
    state: () => client.getQueryState(queryKey),
    leave: () => {
      leave();
      client.clear();
    },
  };
}

const settled = () => new Promise((resolve) => setTimeout(resolve, 30));

async function shownBy(answer: () => Promise<string>, queryKey?: readonly unknown[]) {
  const page = load(answer, queryKey);
  await settled();
  page.leave();
  return page.shown;
}

test('what was kept shows at once and is asked for again, however young it is', async () => {
  expect(await shownBy(async () => 'two notes')).toEqual(['two notes']);
  expect(await shownBy(async () => 'three notes')).toEqual(['two notes', 'three notes']);
  expect(await shownBy(async () => 'three notes')).toEqual(['three notes']);
});

test('it is kept as soon as it is answered: a page that is left ten milliseconds later has it', async () => {
  const page = load(async () => 'two notes');
  while (page.shown.length === 0) await new Promise(setImmediate);
  await new Promise((resolve) => setTimeout(resolve, 10));
  page.leave();
  expect(await shownBy(nobodyAnswers)).toEqual(['two notes']);
});

test('where nobody answers it stays, load after load', async () => {
  await shownBy(async () => 'two notes');
  for (let again = 0; again < 3; again++) {
    const page = load(nobodyAnswers);
    await settled();
    expect(page.shown).toEqual(['two notes']);
    expect(page.state()).toMatchObject({ data: 'two notes', error: new Error('nobody answers') });
    page.leave();
  }
});

test('what the server said no to is not kept, nor what was never answered', async () => {
  await shownBy(async () => 'two notes');
  expect(await shownBy(refused)).toEqual(['two notes']);
  expect(await shownBy(nobodyAnswers)).toEqual([]);
  expect(await AsyncStorage.getAllKeys()).toEqual([]);
});

test('two pages side by side keep what each read', async () => {
  const one = load(async () => 'two notes');
  const other = load(async () => 'what is due', ['service', {}, {}]);
  await settled();
  one.leave();
  other.leave();
  expect(await shownBy(nobodyAnswers)).toEqual(['two notes']);
  expect(await shownBy(nobodyAnswers, ['service', {}, {}])).toEqual(['what is due']);
});

test('one call is forgotten alone; all of them with who left, and nothing else of theirs', async () => {
  await shownBy(async () => 'Ivo', ['me', {}, {}]);
  await shownBy(async () => 'Ivo’s', ['meAndMine', {}, {}]);
  await AsyncStorage.setItem('hudrik-outbox', 'a note');
  await forgetReads('me');
  expect(await shownBy(nobodyAnswers, ['me', {}, {}])).toEqual([]);
  expect(await shownBy(nobodyAnswers, ['meAndMine', {}, {}])).toEqual(['Ivo’s']);
  await forgetReads();
  expect(await AsyncStorage.getAllKeys()).toEqual(['hudrik-outbox']);
});

test('what nobody asked for in a week goes, with what was kept as one before', async () => {
  await shownBy(async () => 'old', ['old', {}, {}]);
  await AsyncStorage.setItem('hudrik-reads', '{}');
  await AsyncStorage.setItem('hudrik-outbox', 'a note');
  jest.useFakeTimers({ advanceTimers: true, now: Date.now() + 7 * 86_400_000 + 1000 });
  await shownBy(async () => 'two notes');
  await forgetOldReads();
  expect((await AsyncStorage.getAllKeys()).toSorted()).toEqual([
    'hudrik-outbox',
    'hudrik-read-["unit",{"code":"GE-01"},{}]',
  ]);
});

test('a device that keeps nothing, or is full, shows what is read all the same', async () => {
  const failing = (['getItem', 'setItem', 'removeItem', 'getAllKeys'] as const).map((way) =>
    jest.spyOn(AsyncStorage, way).mockImplementation((() => Promise.reject(new Error('not allowed'))) as never),
  );
  try {
    expect(await shownBy(async () => 'two notes')).toEqual(['two notes']);
    expect(await shownBy(refused)).toEqual([]);
    await forgetReads();
    await forgetOldReads();
  } finally {
    for (const way of failing) way.mockRestore();
  }
});
