import { sql, type Kysely } from 'kysely';

/** Where the yard lies and how high, when it is open, in which units it measures, and how many bays it has. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `alter table yard_settings
        add column place text not null default '',
        add column height_m float8 check (height_m between -430 and 5500),
        add column usual_units text check (usual_units in ('inch', 'metric')),
        add column open_hours jsonb,
        add column bays int check (bays between 1 and 99)`,
    )
    .execute(db);
}
