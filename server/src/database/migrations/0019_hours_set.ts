import { sql, type Kysely } from 'kysely';

/** Whether somebody said when a person works: also that they do not work at the bench at all. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw(`alter table person add column hours_set boolean not null default false`).execute(db);
  await sql.raw(`update person set hours_set = true where id in (select person_id from working_hours)`).execute(db);
}
