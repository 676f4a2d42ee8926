import { sql, type Kysely } from 'kysely';

/** The yard's own order, so that a page of it is read and not sorted. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create index unit_in_order on unit (
        (array_position(array['pressure-washer', 'generator', 'tiller', 'snowblower', 'log-splitter', 'welder']::text[], class_id)), tag)`,
    )
    .execute(db);
}
