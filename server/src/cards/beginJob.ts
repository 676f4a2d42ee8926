import type { Actor } from '../context';
import type { JobRow, Trx } from '../database/tables';
import { record } from '../fleet/history';
import { layCard } from './layCard';

/** Takes a waiting job to the bench: its steps are laid. */
export async function beginJob(trx: Trx, job: JobRow, actor: Actor, at: Date): Promise<void> {
  await trx
    .updateTable('job')
    .set({ state: 'open', started_at: at, started_by: actor.id, version: job.version + 1 })
    .where('id', '=', job.id)
    .execute();
  await record(trx, {
    unitId: job.unit_id,
    at,
    kind: 'job-started',
    personId: actor.id,
    facts: { jobId: String(job.id), title: job.title },
  });
  await layCard(trx, job, at, 'start');
}
