import { STANDING_STATES } from '@hudrik/core/card';
import { readinessOf, type ReadinessVerdict } from '@hudrik/core/readiness';
import type { Db, Trx } from '../database/tables';

/** The unit's readiness from its facts as they stand. */
export async function computeReadiness(db: Db | Trx, unitId: number): Promise<ReadinessVerdict> {
  const unit = await db
    .selectFrom('unit')
    .select(['gone_at', 'laid_up_at'])
    .where('id', '=', unitId)
    .executeTakeFirstOrThrow();
  const hire = await db
    .selectFrom('hire')
    .select(['back_at', 'to_at'])
    .where('unit_id', '=', unitId)
    .where('state', 'in', ['out', 'back'])
    .executeTakeFirst();
  const jobs = await db
    .selectFrom('job')
    .select(['title', 'blocks', 'why'])
    .where('unit_id', '=', unitId)
    .where('state', 'in', STANDING_STATES)
    .orderBy('id')
    .execute();
  return readinessOf({
    gone: unit.gone_at !== null,
    laidUp: unit.laid_up_at !== null,
    hire: hire ? { backAt: hire.back_at?.toISOString() ?? null, dueAt: hire.to_at.toISOString() } : null,
    jobs: jobs.map((job) => ({ sentence: job.why[0] ?? job.title, blocks: job.blocks })),
  });
}

/**
 * Keeps the unit's row in step with its facts. Readiness depends on facts only, never on the clock, so a stored copy is exact
 * as long as every change of a fact ends here; `npm run hudrik -- check` compares the two.
 */
export async function refreshReadiness(trx: Trx, unitId: number, at: Date): Promise<ReadinessVerdict> {
  const verdict = await computeReadiness(trx, unitId);
  const before = await trx.selectFrom('unit').select('readiness').where('id', '=', unitId).executeTakeFirstOrThrow();
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
