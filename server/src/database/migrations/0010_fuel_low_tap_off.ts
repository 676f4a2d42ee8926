import { sql, type Kysely } from 'kysely';

/**
 * Fuel low and the tap shut were one fault and are two. What is open or confirmed under the old id goes on under the likelier of the two; the log
 * stays as it was written, and what proven causes taught is split when it is read.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`select set_config('hudrik.unit', 'any', true)`.execute(db);
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
  await sql`select set_config('hudrik.unit', '', true)`.execute(db);
}

const [OLD, NOW] = ['fuel-low-or-off', 'fuel-low'];
const STATEMENTS = [
  `update finding set causes = array_replace(causes, '${OLD}', '${NOW}') where '${OLD}' = any(causes)`,
  `update defect set causes = array_replace(causes, '${OLD}', '${NOW}') where '${OLD}' = any(causes)`,
  `update defect set origin_id = '${NOW}' where origin_kind = 'cause' and origin_id = '${OLD}'`,
];
