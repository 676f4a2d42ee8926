import { MISSING_LINES } from '@hudrik/core/states';
import type { UnitChange } from '../log/changeUnit';

/** A job that waits for parts goes on when the last of them is there. */
export async function resumeWhenPartsAreThere(
  { trx, append }: Pick<UnitChange, 'trx' | 'append'>,
  jobId: number,
): Promise<void> {
  const job = await trx
    .selectFrom('job')
    .select(['id', 'state', 'title'])
    .where('id', '=', jobId)
    .executeTakeFirstOrThrow();
  if (job.state !== 'waits-part') return;
  const missing = await trx
    .selectFrom('part_line')
    .select('id')
    .where('job_id', '=', jobId)
    .where('state', 'in', MISSING_LINES)
    .executeTakeFirst();
  if (missing) return;
  await trx
    .updateTable('job')
    .set((eb) => ({ state: 'open', version: eb('version', '+', 1) }))
    .where('id', '=', jobId)
    .execute();
  const why = 'The last part has arrived';
  await append({ kind: 'resumed', by: null, facts: { why }, jobId, outcome: { title: job.title } });
}
