import type { Trx } from '../database/tables';
import { record } from '../fleet/history';

/** A card that waits for parts is open again when the last of them is there. */
export async function wakeCard(trx: Trx, jobId: number, at: Date): Promise<void> {
  const job = await trx
    .selectFrom('job')
    .select(['id', 'unit_id', 'state', 'title', 'version'])
    .where('id', '=', jobId)
    .executeTakeFirstOrThrow();
  if (job.state !== 'waits-part') return;
  const missing = await trx
    .selectFrom('part_line')
    .select('id')
    .where('job_id', '=', jobId)
    .where('state', 'in', ['wanted', 'ordered'])
    .executeTakeFirst();
  if (missing) return;
  await trx
    .updateTable('job')
    .set({ state: 'open', version: job.version + 1 })
    .where('id', '=', jobId)
    .execute();
  await record(trx, {
    unitId: job.unit_id,
    at,
    kind: 'card-woken',
    personId: null,
    facts: { jobId: String(jobId), title: job.title },
  });
}
