import { sql, type Kysely } from 'kysely';

/** What was paid for a part last. Nobody wrote it down before. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `alter table part add column paid_cents integer check (paid_cents >= 0), add column paid_at timestamptz,
    add constraint part_paid_when check ((paid_cents is null) = (paid_at is null))`,
];
