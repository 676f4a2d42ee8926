import { isDeepStrictEqual } from 'node:util';
import type { ReadinessVerdict } from '@hudrik/core/readiness';
import { sql } from 'kysely';
import type { Trx } from '../database/tables';
import { computeReadiness } from '../fleet/computeReadiness';

/**
 * Keeps the unit's row in step with its facts. Readiness depends on facts only, never on the clock, so a stored copy is exact
 * as long as every change of a fact ends here; `npm run hudrik -- check` compares the two.
 */
export async function refreshReadiness(trx: Trx, unitId: number, at: Date): Promise<ReadinessVerdict> {
  const verdict = await computeReadiness(trx, unitId);
  const before = await trx
    .selectFrom('unit')
    .select('readiness_verdict')
    .where('id', '=', unitId)
    .executeTakeFirstOrThrow();
  if (isDeepStrictEqual(before.readiness_verdict, verdict)) return verdict;
  // The database looks for itself whether it is fit: see the migration that made the function.
  await sql`select set_readiness(${unitId}, ${verdict.readiness}, ${JSON.stringify(verdict)}::jsonb, ${at})`.execute(
    trx,
  );
  return verdict;
}
