import { setTimeout } from 'node:timers/promises';
import type { Status } from '@hudrik/core/contracts';
import { sql } from 'kysely';
import type { Db } from './tables';

export type CopyState = NonNullable<Status['copy']>;

/** A copy that says nothing for so long is away: whoever asks how all stands is not kept waiting. */
const PATIENCE_MS = 2000;

const AWAY: CopyState = { isThere: false, tookOver: false, behindBytes: null };

/** How the copy of the records stands to them: there, how far behind in bytes of the log of changes, or written to itself. */
export async function copyStateOf(primary: Db, copy: Db): Promise<CopyState> {
  const asking = sql<{ follows: boolean; place: string | null }>`
    select pg_is_in_recovery() as follows, pg_last_wal_replay_lsn()::text as place`
    .execute(copy)
    .catch(() => null);
  const told = await Promise.race([asking, setTimeout(PATIENCE_MS, null)]);
  const row = told?.rows[0];
  if (row === undefined) return AWAY;
  if (!row.follows) return { isThere: true, tookOver: true, behindBytes: null };
  const behind = await sql<{ bytes: number }>`
    select greatest(pg_wal_lsn_diff(pg_current_wal_lsn(), ${row.place}::pg_lsn), 0)::float8 as bytes`
    .execute(primary)
    .catch(() => null);
  return { isThere: true, tookOver: false, behindBytes: behind?.rows[0]?.bytes ?? null };
}
