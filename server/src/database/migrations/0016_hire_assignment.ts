import { sql, type Kysely } from 'kysely';

/** Which unit a hire of a class was given last by the sum: so that no other is taken for a little. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table hire_assignment (
        hire_id bigint primary key references hire,
        unit_id bigint not null references unit,
        made_at timestamptz not null
      )`,
    )
    .execute(db);
}
