import { sql, type Kysely } from 'kysely';

/** Each upgrade: by which version, which backup was written before it, and when all that follows from it was reckoned anew. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`create table upgrade (
    to_migration text primary key,
    version text not null,
    backup text,
    reckoned_at timestamptz not null
  )`.execute(db);
}
