import { OPEN_JOB_STATES } from '@hudrik/core/card';
import { readDefects } from '../defects/readDefects';
import { readinessOf, type ReadinessVerdict } from '@hudrik/core/readiness';
import { HIRES_GOING_ON } from '@hudrik/core/states';
import type { Db } from '../database/tables';

/** From the first thing done about it until it is signed or dropped. */
const BEGUN = OPEN_JOB_STATES.filter((state) => state !== 'waiting');

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
  const onBench = await db
    .selectFrom('job')
    .select('title')
    .where('unit_id', '=', unitId)
    .where('state', 'in', BEGUN)
    .orderBy('id')
    .execute();
  return readinessOf({
    gone: unit.gone_at !== null,
    laidUp: unit.laid_up_at !== null,
    hire: hire ? { backAt: hire.back_at?.toISOString() ?? null, dueAt: hire.to_at.toISOString() } : null,
    defects: await readDefects(db, unitId),
    onBench: onBench.map((job) => job.title),
  });
}
