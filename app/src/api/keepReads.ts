import type { OperationId } from '@hudrik/core/contracts';
import { noop, notifyManager, type Query, type QueryFunctionContext, type QueryKey } from '@tanstack/react-query';
import { experimental_createQueryPersister } from '@tanstack/react-query-persist-client';
import { Refused } from './client';
import { kv } from './kv';

const DAY = 86_400_000;
const PREFIX = 'hudrik-read';

/** A device that is full, or lets this page keep nothing, shows what it reads all the same. */
const storage = {
  getItem: (key: string) => kv.getItem(key).catch(() => null),
  setItem: (key: string, text: string) => kv.setItem(key, text).catch(noop),
  removeItem: (key: string) => kv.removeItem(key).catch(noop),
  entries: async () => {
    const keys = await keptKeys();
    const texts = await Promise.all(keys.map(storage.getItem));
    return keys.flatMap((key, index): [string, string][] => {
      const text = texts[index];
      return typeof text === 'string' ? [[key, text]] : [];
    });
  },
};

export const keeper = experimental_createQueryPersister({
  storage,
  ...{ prefix: PREFIX, buster: '2', maxAge: 7 * DAY, refetchOnRestore: false },
});

const keptKeys = async (): Promise<string[]> =>
  (await kv.keys().catch(() => [])).filter((key) => key.startsWith(`${PREFIX}-`));

/**
 * Each read is kept on the device by itself as soon as it is answered: without a connection the last answer shows. What was kept is shown at once and
 * asked for again, however young it is: more may have happened since. What was asked for in vain takes nothing away; only a server that says no does.
 */
export async function keepRead<T, Key extends QueryKey>(
  ask: (context: QueryFunctionContext<Key>) => T | Promise<T>,
  context: QueryFunctionContext<Key>,
  query: Query,
): Promise<T> {
  let isAsked = false;
  const askNow = (given: QueryFunctionContext<Key>) => {
    isAsked = true;
    return ask(given);
  };
  try {
    const data = await keeper.persisterFn(askNow, context, query);
    // Asked again after what was kept has become the query's own.
    if (!isAsked) notifyManager.schedule(() => void query.fetch().catch(noop));
    return data;
  } catch (error) {
    if (error instanceof Refused) await storage.removeItem(`${PREFIX}-${query.queryHash}`);
    throw error;
  }
}

/** Nothing that was read is left on the device, or nothing by this call: for who signs in after somebody else. */
export async function forgetReads(id?: OperationId): Promise<void> {
  const start = id === undefined ? PREFIX : `${PREFIX}-["${id}"`;
  await Promise.all((await keptKeys()).filter((key) => key.startsWith(start)).map(storage.removeItem));
}

/** What nobody asked for in a week goes. */
export async function forgetOldReads(): Promise<void> {
  await keeper.persisterGc();
  // Before, all reads were kept as one.
  await storage.removeItem('hudrik-reads');
}
