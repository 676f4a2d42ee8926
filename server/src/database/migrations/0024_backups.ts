import { sql, type Kysely } from 'kysely';

/** When the records were written away, where to, and whether it came off. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table backup (
        id bigint generated always as identity primary key,
        began_at timestamptz not null,
        ended_at timestamptz,
        file text not null,
        bytes bigint,
        rows bigint,
        why_not text
      )`,
    )
    .execute(db);
}
