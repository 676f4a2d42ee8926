import type { Person } from '@hudrik/core/contracts';
import { call, clockAhead, isMeasured, isUnreachable } from '@/api';
import { isBy, type Delivered, type EntryItem, type Item } from './item';

/** Sends one item as the person who is signed in; where another made it, with the maker's name. Out: what came of it. */
export async function deliver(item: Item, as: Person): Promise<Delivered> {
  const madeBy = item.maker && !isBy(item.maker, as) ? (item.maker.id ?? undefined) : undefined;
  if (item.what === 'photo') {
    const raw = { type: item.type, content: new Blob([item.bytes], { type: item.type }) };
    await call('putPhoto', { params: { id: item.id }, query: { madeBy }, raw, as: as.id });
    return { answer: null };
  }
  if (item.what === 'call') {
    // Its id makes it one change, however often it is sent.
    const reply = await call(item.operation, { ...(item.options as object), key: item.id, as: as.id });
    return { answer: null, reply };
  }
  const { id, kind, facts, madeAt: at, on } = item;
  const place = {
    tag: on.tag ?? null,
    jobId: on.jobId ?? null,
    findingId: on.findingId ?? null,
    lineId: on.lineId ?? null,
  };
  const body = { id, kind, facts, at, ...place, offsetMs: await offsetOf(item), madeBy: madeBy ?? null };
  const { entry } = await call('addLogEntry', { body, as: as.id });
  return { answer: entry };
}

/** More than the clocks of a day drift apart. */
const MOVED_MS = 120_000;

/** The offset by which its time was told, while it still holds; null: it was never measured, or the device's clock was moved since. */
async function offsetOf({ offsetMs = null }: EntryItem): Promise<number | null> {
  if (offsetMs === null) return null;
  if (!isMeasured())
    await call('me').catch((error: unknown) => {
      if (isUnreachable(error)) throw error;
    });
  const now = clockAhead();
  return now === null || Math.abs(now - offsetMs) > MOVED_MS ? null : offsetMs;
}
