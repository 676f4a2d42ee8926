import { sql, type Kysely } from 'kysely';

/** Each task of the background by itself: when it was asked for, begun and went well last, and since when it does not. And what the clock did. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of [
    `create table background_task (
      name text primary key,
      asked_at timestamptz,
      began_at timestamptz,
      well_at timestamptz,
      failing_since timestamptz,
      failures int not null default 0 check (failures >= 0),
      why text,
      constraint failing check ((failures = 0) = (failing_since is null))
    )`,
    `create table clock_jump (
      id bigint generated always as identity primary key,
      found_at timestamptz not null,
      seconds double precision not null
    )`,
  ])
    await sql.raw(statement).execute(db);
}
