import { sql, type Kysely } from 'kysely';

/** A device says how much of what was entered on it is not here yet. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw('alter table device add column waiting int not null default 0').execute(db);
}
