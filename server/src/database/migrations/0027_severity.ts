import { sql, type Kysely } from 'kysely';

/** A unit may work harder than its model. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw('alter table unit add column severity float8 not null default 1 check (severity between 0.2 and 1)')
    .execute(db);
}
