import { sql, type Kysely } from 'kysely';

/** Since when the oldest entry that a device holds waits on it, as it said when it was seen last. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table device add column waiting_since timestamptz`.execute(db);
}
