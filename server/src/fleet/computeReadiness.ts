import { readDefects } from '../defects/readDefects';
import { readinessOf, type ReadinessVerdict } from '@hudrik/core/readiness';
import { HIRES_GOING_ON } from '@hudrik/core/states';
import type { Db } from '../database/tables';
import { findOpenVisit, jobsOfVisit } from '../visits/visits';

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
  return readinessOf({
    gone: unit.gone_at !== null,
    laidUp: unit.laid_up_at !== null,
    hire: hire ? { backAt: hire.back_at?.toISOString() ?? null, dueAt: hire.to_at.toISOString() } : null,
    defects: await readDefects(db, unitId),
    onBench: await onBench(db, unitId),
  });
}

/** What it is on the bench for: from the first job begun until the visit is proved, or parked with nothing left to prove. */
async function onBench(db: Db, unitId: number): Promise<string[]> {
  const visit = await findOpenVisit(db, unitId);
  if (visit === undefined || visit.state === 'waiting' || (visit.state === 'parked' && !visit.unproved)) return [];
  const begun = (await jobsOfVisit(db, visit.id)).filter((job) => job.state === 'open');
  return begun.length > 0 ? begun.map((job) => job.title) : ['what was worked on is not proved'];
}
