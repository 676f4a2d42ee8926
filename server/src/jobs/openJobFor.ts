import { OPEN_JOB_STATES } from '@hudrik/core/card';
import type { Trx } from '../database/tables';

/** The open job of a unit that is there for a work: there is one at most. Out: its id, or null. */
export async function openJobFor(trx: Trx, unitId: number, work: string | null): Promise<number | null> {
  if (work === null) return null;
  const job = await trx
    .selectFrom('job')
    .select('id')
    .where('unit_id', '=', unitId)
    .where('work', '=', work)
    .where('state', 'in', OPEN_JOB_STATES)
    .executeTakeFirst();
  return job?.id ?? null;
}
