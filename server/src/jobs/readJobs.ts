import { OPEN_JOB_STATES } from '@hudrik/core/card';
import type { JobLine } from '@hudrik/core/contracts';
import type { Context } from '../context';
import { jobRows, toJobLine } from './jobLines';

/** Jobs, open ones or all, of the yard or of one unit. */
export async function readJobs(
  { db }: Pick<Context, 'db'>,
  query: { state: string; tag?: string | undefined },
): Promise<{ jobs: JobLine[] }> {
  const rows = await jobRows(db)
    .$if(query.state === 'open', (q) => q.where('j.state', 'in', OPEN_JOB_STATES))
    .$if(query.tag !== undefined, (q) => q.where('ju.tag', '=', query.tag ?? ''))
    .limit(300)
    .execute();
  return { jobs: rows.map(toJobLine) };
}
