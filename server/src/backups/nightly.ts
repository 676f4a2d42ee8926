import { mkdir, rm } from 'node:fs/promises';
import path from 'node:path';
import { TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns/addDays';
import { set } from 'date-fns/set';
import { enqueue } from '../background/enqueue';
import type { Context } from '../context';
import { readSettings } from '../people/settings';

/** Where this installation keeps its backups, and how many. */
export interface Backups {
  readonly folder: string;
  readonly keep: number;
  /** Writes one. */
  readonly write: (file: string) => Promise<{ readonly bytes: number; readonly rows: number }>;
}

type Asking = Pick<Context, 'db' | 'now'>;

const HOUR_MS = 3_600_000;
const AT_HOUR = 2;

/** The first two in the morning of a zone after a moment, and the last at or before it. */
export function nightsAround(at: Date, timeZone: string): { readonly last: Date; readonly next: Date } {
  const today = set(new TZDate(at.getTime(), timeZone), { hours: AT_HOUR, minutes: 0, seconds: 0, milliseconds: 0 });
  const [last, next] = today.getTime() > at.getTime() ? [addDays(today, -1), today] : [today, addDays(today, 1)];
  return { last: new Date(last.getTime()), next: new Date(next.getTime()) };
}

/** The newest that came off by now, and the newest that did not since. One of a time that has not come was written by a clock that was wrong. */
export async function readBackups({ db, now }: Asking) {
  const at = now();
  const good = await db
    .selectFrom('backup')
    .select(['began_at', 'file', 'bytes', 'rows'])
    .where('ended_at', 'is not', null)
    .where('why_not', 'is', null)
    .where('began_at', '<=', at)
    .orderBy('began_at', 'desc')
    .limit(1)
    .executeTakeFirst();
  const failed = await db
    .selectFrom('backup')
    .select(['began_at', 'why_not'])
    .where('why_not', 'is not', null)
    .where('began_at', '<=', at)
    .$if(good !== undefined, (query) => query.where('began_at', '>', good?.began_at ?? new Date(0)))
    .orderBy('began_at', 'desc')
    .limit(1)
    .executeTakeFirst();
  return { good: good ?? null, failed: failed ?? null };
}

/** Once a night, or as soon after as the machine is on; one that failed is tried again after an hour. Out: whether one was left to do. */
export async function backUpWhenDue(context: Asking): Promise<boolean> {
  const { good, failed } = await readBackups(context);
  const { last: due } = nightsAround(context.now(), (await readSettings(context.db)).timeZone);
  if (good !== null && good.began_at >= due) return false;
  if (failed !== null && context.now().getTime() - failed.began_at.getTime() < HOUR_MS) return false;
  await enqueue(context.db, 'back-up', {}, { key: 'back-up' });
  return true;
}

/** Writes one now, and lets the oldest go that are more than are kept. Why one did not come off is kept. */
export async function takeBackup({ db, now }: Asking, { folder, keep, write }: Backups): Promise<void> {
  const began = now();
  const file = path.join(folder, `yard-${began.toISOString().slice(0, 16).replaceAll(':', '')}.hudrik`);
  const { id } = await db
    .insertInto('backup')
    .values({ began_at: began, ended_at: null, file, bytes: null, rows: null, why_not: null })
    .returning('id')
    .executeTakeFirstOrThrow();
  const end = (how: { readonly bytes?: number; readonly rows?: number; readonly why_not?: string }) =>
    db
      .updateTable('backup')
      .set({ ...how, ended_at: now() })
      .where('id', '=', id)
      .execute();
  try {
    await mkdir(folder, { recursive: true, mode: 0o700 });
    await end(await write(file));
  } catch (error) {
    await end({ why_not: error instanceof Error ? error.message : String(error) });
    return;
  }
  const older = await db
    .selectFrom('backup')
    .select('file')
    .where('why_not', 'is', null)
    .where('ended_at', 'is not', null)
    // As they were written, whatever the clock showed.
    .orderBy('id', 'desc')
    .offset(keep)
    .limit(100)
    .execute();
  for (const { file: old } of older) await rm(old, { force: true });
}
