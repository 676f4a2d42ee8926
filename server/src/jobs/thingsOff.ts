import { OPEN_JOB_STATES } from '@hudrik/core/card';
import { cardOf } from '@hudrik/core/log';
import type { Trx } from '../database/tables';
import { entriesOfJob } from '../log/readLog';
import { refuse } from '../refusal';

/** What lies in the tray of a job, or is on only for a trial. */
async function thingsOffOf(trx: Trx, jobId: number): Promise<string[]> {
  const { ledger } = cardOf(await entriesOfJob(trx, jobId));
  return [...ledger.putBack, ...ledger.onTrial].map((thing) => thing.what);
}

/** Refused while anything of this job is off. */
export async function mustBeTogether(trx: Trx, jobId: number): Promise<void> {
  const things = await thingsOffOf(trx, jobId);
  if (things.length > 0) refuse('things-off', { things });
}

/** Refused while anything of the unit is off, or a clock runs on it: it is neither laid up nor sold like that. */
export async function mustBeAtRest(trx: Trx, unitId: number): Promise<void> {
  const jobs = await trx
    .selectFrom('job')
    .select('id')
    .where('unit_id', '=', unitId)
    .where('state', 'in', OPEN_JOB_STATES)
    .execute();
  for (const { id } of jobs) await mustBeTogether(trx, id);
  const clock = await trx
    .selectFrom('clock')
    .select('kind')
    .where('unit_id', '=', unitId)
    .where('state', '=', 'running')
    .executeTakeFirst();
  if (clock) refuse('clock-runs', { clock: clock.kind });
}
