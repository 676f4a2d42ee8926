import { isDeepStrictEqual } from 'node:util';
import type { ReadinessVerdict } from '@hudrik/core/readiness';
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
    .select(['readiness', 'readiness_verdict'])
    .where('id', '=', unitId)
    .executeTakeFirstOrThrow();
  if (isDeepStrictEqual(before.readiness_verdict, verdict)) return verdict;
  await trx
    .updateTable('unit')
    .set((eb) => ({
      readiness: verdict.readiness,
      readiness_verdict: JSON.stringify(verdict),
      version: eb('version', '+', 1),
      ...(before.readiness === verdict.readiness ? {} : { readiness_since: at }),
    }))
    .where('id', '=', unitId)
    .execute();
  return verdict;
}
