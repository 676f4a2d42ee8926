import type { JobRow, Trx } from '../database/tables';
import { joinVisit } from '../visits/visits';

interface NewJob extends Pick<JobRow, 'kind' | 'work' | 'title' | 'minutes' | 'blocks'> {
  readonly unitId: number;
  readonly at: Date;
  readonly why?: readonly string[];
  readonly caution?: string | null;
}

/** A job that no check-in raised, waiting on its unit's visit. */
export async function insertJob(trx: Trx, { unitId, at, why = [], caution = null, ...job }: NewJob): Promise<JobRow> {
  const row = await trx
    .insertInto('job')
    .values({
      ...job,
      unit_id: unitId,
      check_in_id: null,
      origins: '[]',
      why: JSON.stringify(why),
      caution,
      raised_at: at,
      started_by: null,
      closed_by: null,
    })
    .returningAll()
    .executeTakeFirstOrThrow();
  await joinVisit(trx, row, at);
  return row;
}
