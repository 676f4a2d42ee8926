import type { JobRow, Trx } from '../database/tables';
import { refuse } from '../refusal';

/** A job that is not ended, of the unit that is locked. */
export async function jobUnderLock(trx: Trx, jobId: string | null): Promise<JobRow> {
  const job =
    jobId === null
      ? undefined
      : await trx.selectFrom('job').selectAll().where('id', '=', Number(jobId)).executeTakeFirst();
  if (job === undefined) return refuse('not-found', { job: jobId });
  return job.closed_at === null ? job : refuse('job-closed', { state: job.state });
}
