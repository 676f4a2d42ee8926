import { sql, type Kysely } from 'kysely';

/** How surely a part should lie there, the coldest starts that this yard expects, and what people are good at. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `alter table yard_settings
    add column service_level double precision check (service_level > 0.5 and service_level < 1),
    add column coldest_starts jsonb`,
  `alter table person add column skills jsonb not null default '[]'`,
];
