import { OPEN_JOB_STATES } from '@hudrik/core/card';
import { readinessOf, type ReadinessVerdict } from '@hudrik/core/readiness';
import { HIRES_GOING_ON } from '@hudrik/core/states';
import type { Db } from '../database/tables';

/** The unit's readiness from its facts as they are. */
export async function computeReadiness(db: Db, unitId: number): Promise<ReadinessVerdict> {
  const unit = await db
    .selectFrom('unit')
    .select(['gone_at', 'laid_up_at'])
    .where('id', '=', unitId)
    .executeTakeFirstOrThrow();
  const hire = await db
    .selectFrom('hire')
    .select(['back_at', 'to_at'])
    .where('unit_id', '=', unitId)
    .where('state', 'in', HIRES_GOING_ON)
    .executeTakeFirst();
  const jobs = await db
    .selectFrom('job')
    .select(['title', 'blocks', 'why'])
    .where('unit_id', '=', unitId)
    .where('state', 'in', OPEN_JOB_STATES)
    .orderBy('id')
    .execute();
  return readinessOf({
    gone: unit.gone_at !== null,
    laidUp: unit.laid_up_at !== null,
    hire: hire ? { backAt: hire.back_at?.toISOString() ?? null, dueAt: hire.to_at.toISOString() } : null,
    jobs: jobs.map((job) => ({ sentence: job.why[0] ?? job.title, blocks: job.blocks })),
  });
}
