import type { LogRecord, Person } from '@hudrik/core/contracts';
import { call } from '@/api/client';
import { isBy, type Item } from './item';

/** Sends one item as the person who is signed in; where another made it, with the maker's name. Out: the entry as it was taken. */
export async function deliver(item: Item, as: Person): Promise<LogRecord | null> {
  const madeBy = item.maker && !isBy(item.maker, as) ? (item.maker.id ?? undefined) : undefined;
  if (item.what === 'photo') {
    const raw = { type: item.type, content: new Blob([item.bytes], { type: item.type }) };
    await call('putPhoto', { params: { id: item.id }, query: { madeBy }, raw, as: as.id });
    return null;
  }
  const { id, kind, facts, madeAt: at, on } = item;
  const place = {
    tag: on.tag ?? null,
    jobId: on.jobId ?? null,
    findingId: on.findingId ?? null,
    lineId: on.lineId ?? null,
  };
  const body = { id, kind, facts, at, ...place, madeBy: madeBy ?? null };
  const { entry } = await call('addLogEntry', { body, as: as.id });
  return entry;
}
