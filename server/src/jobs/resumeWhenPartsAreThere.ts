import { MISSING_LINES } from '@hudrik/core/states';
import { changeVisit } from '../cards/changeVisit';
import type { UnitChange } from '../log/changeUnit';
import { jobsOfVisit, visitOfJob } from '../visits/visits';

/** A visit that waits for parts goes on when the last of them is there. */
export async function resumeWhenPartsAreThere(
  { trx, append }: Pick<UnitChange, 'trx' | 'append'>,
  jobId: number,
): Promise<void> {
  const visit = await visitOfJob(trx, jobId);
  if (visit.state !== 'waits-part') return;
  const jobs = await jobsOfVisit(trx, visit.id);
  const missing = await trx
    .selectFrom('part_line')
    .select('id')
    .where(
      'job_id',
      'in',
      jobs.map((job) => job.id),
    )
    .where('state', 'in', MISSING_LINES)
    .executeTakeFirst();
  if (missing) return;
  await changeVisit(trx, visit, { state: 'open' });
  const why = 'The last part has arrived';
  const title = jobs.find((job) => job.id === jobId)?.title;
  await append({ kind: 'resumed', by: null, facts: { why }, jobId, outcome: title === undefined ? {} : { title } });
}
