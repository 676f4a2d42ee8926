import { setTimeout } from 'node:timers/promises';
import type { Status } from '@hudrik/core/contracts';
import { sql } from 'kysely';
import type { Db } from './tables';

export type CopyState = NonNullable<Status['copy']>;

/** A copy that says nothing for so long is away: whoever asks how all stands is not kept waiting. */
const PATIENCE_MS = 2000;
const AWAY = { isThere: false, tookOver: false, behindBytes: null, behindSeconds: null };

/** How the copy of the records stands to them: there, how far behind in bytes of the log of changes and in seconds, or written to itself. */
export async function copyStateOf(primary: Db, copy: Db): Promise<CopyState> {
  const asking = sql<{ follows: boolean; place: string | null; age: number | null }>`
    select pg_is_in_recovery() as follows, pg_last_wal_replay_lsn()::text as place,
      extract(epoch from now() - pg_last_xact_replay_timestamp())::float8 as age`
    .execute(copy)
    .catch(() => null);
  const told = await Promise.race([asking, setTimeout(PATIENCE_MS, null)]);
  const row = told?.rows[0];
  if (row === undefined) return { ...AWAY, log: await logOf(primary) };
  if (!row.follows) return { ...AWAY, isThere: true, tookOver: true, log: null };
  const behind = await sql<{ bytes: number }>`
    select greatest(pg_wal_lsn_diff(pg_current_wal_lsn(), ${row.place}::pg_lsn), 0)::float8 as bytes`
    .execute(primary)
    .catch(() => null);
  const behindBytes = behind?.rows[0]?.bytes ?? null;
  return {
    ...{ isThere: true, tookOver: false, behindBytes },
    // What it has last is as old as what was written last, where that is the same.
    behindSeconds: behindBytes === null || behindBytes === 0 ? behindBytes : row.age,
    log: await logOf(primary),
  };
}

/** What is kept of the log of changes for whoever copies. */
async function logOf(primary: Db): Promise<CopyState['log']> {
  const found = await sql<{ kept: number | null; most: number; lost: boolean }>`
    select max(pg_wal_lsn_diff(pg_current_wal_lsn(), restart_lsn))::float8 as kept,
      (select setting::float8 * 1048576 from pg_settings where name = 'max_slot_wal_keep_size') as most,
      coalesce(bool_or(wal_status = 'lost'), false) as lost
    from pg_replication_slots where slot_type = 'physical' having count(*) > 0`
    .execute(primary)
    .catch(() => null);
  const row = found?.rows[0];
  if (row === undefined) return null;
  return { keptBytes: row.kept ?? 0, mostBytes: row.most < 0 ? null : row.most, isLost: row.lost };
}
