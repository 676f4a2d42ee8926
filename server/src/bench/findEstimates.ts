import { createHash } from 'node:crypto';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import type { Undiagnosed } from '../sums/sums';

/** What was reckoned so long ago is reckoned anew: what was learnt since counts. */
const KEPT_DAYS = 7;
const DAY_MS = 86_400_000;

/** What finding a fault is expected to take by what was seen: reckoned in the pool when what was seen changes, and kept. */
export async function findMinutes(
  { db, now, sums }: Pick<Context, 'db' | 'now' | 'sums'>,
  of: Undiagnosed,
): Promise<number> {
  const fingerprint = createHash('sha256').update(JSON.stringify(of)).digest('base64url');
  const since = new Date(now().getTime() - KEPT_DAYS * DAY_MS);
  const kept = await db
    .selectFrom('find_estimate')
    .select('minutes')
    .where('fingerprint', '=', fingerprint)
    .where('made_at', '>', since)
    .executeTakeFirst();
  if (kept) return kept.minutes;
  const minutes = await sums.minutesToFind(of);
  await keep(db, fingerprint, minutes, now());
  return minutes;
}

async function keep(db: Db, fingerprint: string, minutes: number, at: Date): Promise<void> {
  await db
    .insertInto('find_estimate')
    .values({ fingerprint, minutes, made_at: at })
    .onConflict((conflict) => conflict.column('fingerprint').doUpdateSet({ minutes, made_at: at }))
    .execute();
}
