import { sql, type Kysely } from 'kysely';

/** A machine that stood may have more than three things wrong: none of them silently goes. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `alter table finding drop constraint finding_causes_check`,
  `alter table finding add constraint finding_causes_check check (causes is null or cardinality(causes) between 1 and 8)`,
];
