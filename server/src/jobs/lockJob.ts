import type { JobRow, Trx } from '../database/tables';
import { lockUnitById } from '../fleet/units';
import { refuse } from '../refusal';

/** A job that is not ended, with its unit locked first, as every other change does. */
export async function lockJob(trx: Trx, id: string): Promise<JobRow> {
  const seen = /^\d{1,15}$/.test(id)
    ? await trx.selectFrom('job').select('unit_id').where('id', '=', Number(id)).executeTakeFirst()
    : undefined;
  if (seen === undefined) return refuse('not-found', { job: id });
  await lockUnitById(trx, seen.unit_id);
  const job = await trx.selectFrom('job').selectAll().where('id', '=', Number(id)).executeTakeFirstOrThrow();
  if (job.closed_at !== null) refuse('job-closed', { state: job.state });
  return job;
}
