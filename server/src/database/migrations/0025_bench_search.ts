import { sql, type Kysely } from 'kysely';

/** Searches for a better plan that go on, each in one of the server's processes, for all of them to see. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table bench_search (
        id uuid primary key,
        seen_at timestamptz not null default now(),
        share double precision not null default 0,
        saved_cents bigint not null default 0,
        is_stopped boolean not null default false
      )`,
    )
    .execute(db);
}
