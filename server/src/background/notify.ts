import type { Change } from '@hudrik/core/contracts';
import { sql } from 'kysely';
import type { Db } from '../database/tables';

export const CHANNEL = 'hudrik_changed';

/** Tells every server process, when the transaction is committed, that something changed: their event streams pass it on. */
export async function notifyChange(db: Db, change: Change): Promise<void> {
  await sql`select pg_notify(${CHANNEL}, ${JSON.stringify(change)})`.execute(db);
}
