import { sql, type Kysely } from 'kysely';

/** The yard's own price of an hour, and of what did not come back; what it has not set has the built-in one, as before. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `alter table yard_settings add column cents_per_hour integer check (cents_per_hour > 0),
    add column kit_prices jsonb not null default '{}' check (jsonb_typeof(kit_prices) = 'object')`,
];
