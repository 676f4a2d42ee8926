import type { Actor } from '../context';
import type { JobRow } from '../database/tables';
import type { UnitChange } from '../log/changeUnit';
import { listMissingSteps } from './listMissingSteps';

/** Takes a waiting job to the bench: it is open, and its steps are listed. */
export async function openJob({ trx, at }: Pick<UnitChange, 'trx' | 'at'>, job: JobRow, actor: Actor): Promise<void> {
  await trx
    .updateTable('job')
    .set({ state: 'open', started_at: at, started_by: actor.id, version: job.version + 1 })
    .where('id', '=', job.id)
    .execute();
}

/** The same by the first entry on its card: that it was begun is written down too. */
export async function beginJob(change: Omit<UnitChange, 'actor'>, job: JobRow, actor: Actor): Promise<void> {
  await openJob(change, job, actor);
  await change.append({ kind: 'job-started', facts: {}, jobId: job.id, outcome: { title: job.title } });
  await listMissingSteps(change, job, 'start');
}
