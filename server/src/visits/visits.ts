import type { LogRecord } from '@hudrik/core/contracts';
import type { Db, JobRow, Trx, VisitRow } from '../database/tables';
import { readEntries } from '../log/readLog';
import { refuse } from '../refusal';

/** The visit that a unit is on, or that waits for somebody to begin; a new one where there is none. */
async function openVisitOf(trx: Trx, unitId: number, at: Date): Promise<VisitRow> {
  const open = await findOpenVisit(trx, unitId);
  if (open) return open;
  return trx
    .insertInto('visit')
    .values({ unit_id: unitId, given_to: null, pinned_at: null, signature_asked_by: null, opened_at: at })
    .returningAll()
    .executeTakeFirstOrThrow();
}

export const findOpenVisit = (db: Db, unitId: number): Promise<VisitRow | undefined> =>
  db.selectFrom('visit').selectAll().where('unit_id', '=', unitId).where('ended_at', 'is', null).executeTakeFirst();

/** Puts a job on its unit's open visit. */
export async function joinVisit(trx: Trx, job: Pick<JobRow, 'id' | 'unit_id'>, at: Date): Promise<void> {
  const visit = await openVisitOf(trx, job.unit_id, at);
  await trx
    .insertInto('visit_job')
    .values({ visit_id: visit.id, job_id: job.id })
    .onConflict((conflict) => conflict.doNothing())
    .execute();
}

/** The visit that a job is on, or was on last. */
export async function visitOfJob(db: Db, jobId: number): Promise<VisitRow> {
  const visit = await db
    .selectFrom('visit as v')
    .innerJoin('visit_job as vj', 'vj.visit_id', 'v.id')
    .selectAll('v')
    .where('vj.job_id', '=', jobId)
    .orderBy('v.id', 'desc')
    .limit(1)
    .executeTakeFirst();
  return visit ?? refuse('not-found', { job: jobId });
}

export const jobsOfVisit = (db: Db, visitId: number): Promise<JobRow[]> =>
  db
    .selectFrom('job as j')
    .innerJoin('visit_job as vj', 'vj.job_id', 'j.id')
    .selectAll('j')
    .where('vj.visit_id', '=', visitId)
    .orderBy('j.id')
    .execute();

/** All entries of the jobs of a visit, in the order in which they were taken: its card is made of them. */
export const entriesOfVisit = (db: Db, visitId: number): Promise<LogRecord[]> =>
  readEntries(db, (rows) =>
    rows.where('l.job_id', 'in', db.selectFrom('visit_job').select('job_id').where('visit_id', '=', visitId)),
  );

/** The job that an entry hangs on, with its visit. An ended job of a visit that goes on is taken: phones still hold entries of it. */
export async function placeUnderLock(trx: Trx, jobId: string | null): Promise<{ job: JobRow; visit: VisitRow }> {
  const job =
    jobId === null
      ? undefined
      : await trx.selectFrom('job').selectAll().where('id', '=', Number(jobId)).executeTakeFirst();
  if (job === undefined) return refuse('not-found', { job: jobId });
  const visit = await visitOfJob(trx, job.id);
  return visit.ended_at === null ? { job, visit } : refuse('job-closed', { state: job.state });
}
