import { readDefects } from '../defects/readDefects';
import { readinessOf, type ReadinessVerdict } from '@hudrik/core/readiness';
import { HIRES_GOING_ON } from '@hudrik/core/states';
import type { Db, JobRow } from '../database/tables';
import { jobBackground } from '../cards/jobBackground';
import { needsOfJob } from '../visits/needsOfJob';
import { findOpenVisit, jobsOfVisit } from '../visits/visits';

/** The unit's readiness from its facts as they are; or as it was by what had been seen until a time. */
export async function computeReadiness(
  db: Db,
  unitId: number,
  { seenBy }: { readonly seenBy?: Date } = {},
): Promise<ReadinessVerdict> {
  const isSeen = ({ foundAt }: { readonly foundAt: string }): boolean =>
    seenBy === undefined || foundAt <= seenBy.toISOString();
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
    defects: (await readDefects(db, unitId)).filter(isSeen),
    onBench: await onBench(db, unitId),
  });
}

/**
 * What it is on the bench for: from the first job begun until the visit is proved. Of a parked visit with nothing left to prove, the jobs that are
 * begun and ask a proof: a planned oil service counts from when it is begun.
 */
async function onBench(db: Db, unitId: number): Promise<string[]> {
  const visit = await findOpenVisit(db, unitId);
  if (visit === undefined || visit.state === 'waiting') return [];
  const begun = (await jobsOfVisit(db, visit.id)).filter((job) => job.state === 'open');
  if (visit.state === 'parked' && !visit.unproved) return (await askingProof(db, begun)).map((job) => job.title);
  return begun.length > 0 ? begun.map((job) => job.title) : ['what was worked on is not proved'];
}

async function askingProof(db: Db, jobs: readonly JobRow[]): Promise<JobRow[]> {
  const asking: JobRow[] = [];
  for (const job of jobs) if (needsOfJob(job, (await jobBackground(db, job)).causes).length > 0) asking.push(job);
  return asking;
}
