import { sql } from 'kysely';
import type { Db } from '../database/tables';

/** What is in a table: how many rows, and a sum over all of them that no order changes. */
interface Content {
  readonly rows: number;
  readonly hash: string;
}
export type Contents = Readonly<Record<string, Content>>;

const FOR_THE_MOMENT = ['kysely_migration_lock'];

export async function tablesOf(db: Db): Promise<string[]> {
  const { rows } = await sql<{ name: string }>`
    select tablename as name from pg_tables where schemaname = 'public' order by 1`.execute(db);
  return rows.map(({ name }) => name).filter((name) => !FOR_THE_MOMENT.includes(name));
}

/** A row as text, whatever order its columns have; what stands in `instead` stands there instead. */
const rowOf = (instead: object = {}) => sql`(to_jsonb(t) || ${JSON.stringify(instead)}::jsonb)`;

/** All that these tables hold. Inside one transaction it is of one moment. */
export async function contentsOf(
  db: Db,
  tables: readonly string[],
  instead: Readonly<Record<string, object>> = {},
): Promise<Contents> {
  await sql`select set_config('timezone', 'UTC', true), set_config('bytea_output', 'hex', true)`.execute(db);
  const contents: Record<string, Content> = {};
  for (const name of tables) {
    const { rows } = await sql<Content>`
      select count(*)::int as rows,
        coalesce(sum(('x' || substr(md5(${rowOf(instead[name])}::text), 1, 15))::bit(60)::bigint), 0)::text as hash
      from ${sql.table(name)} t`.execute(db);
    contents[name] = rows[0] ?? { rows: 0, hash: '0' };
  }
  return contents;
}

/** Where two differ, in words; nothing: nowhere. */
export const differences = (was: Contents, is: Contents): string[] =>
  [...new Set([...Object.keys(was), ...Object.keys(is)])].sort().flatMap((name) => {
    const [before, now] = [was[name], is[name]];
    if (before === undefined || now === undefined) return [`${name} is in one of them only`];
    if (before.rows !== now.rows) return [`${name} had ${before.rows} rows, and has ${now.rows}`];
    return before.hash === now.hash ? [] : [`${name} has other rows than it had`];
  });
