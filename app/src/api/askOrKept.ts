import type { OperationId } from '@hudrik/core/contracts';
import { hashKey } from '@tanstack/react-query';
import { call, isUnreachable, type Reply } from './client';
import { keeper } from './keepReads';
import { queryClient } from './QueryProvider';
import { readKey } from './queries';

/** Asks now, whatever was read before; where nobody answers, what was answered last, in this page or kept on the device. */
export async function askOrKept<Id extends OperationId>(
  id: Id,
  params: Readonly<Record<string, string>>,
): Promise<Reply<Id>> {
  const key = readKey(id, params);
  try {
    const reply = await call(id, { params });
    queryClient.setQueryData(key, reply);
    await keeper.persistQueryByKey(key, queryClient);
    return reply;
  } catch (error) {
    if (!isUnreachable(error)) throw error;
    const known = queryClient.getQueryData<Reply<Id>>(key) ?? (await keeper.retrieveQuery<Reply<Id>>(hashKey(key)));
    if (known === undefined) throw error;
    return known;
  }
}
