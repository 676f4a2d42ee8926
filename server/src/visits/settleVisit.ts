import { layUpByJobs } from '../layUp/layUnitUp';
import type { UnitChange } from '../log/changeUnit';
import type { VisitRow } from '../database/tables';
import { mustBeTogether, mustHaveNoClock } from './atRest';
import { joinVisit, jobsOfVisit } from './visits';

type Change = Omit<UnitChange, 'actor'>;

/**
 * After a job has come to its end, or was put off: while others are worked on the visit goes on, and so it does while something that was worked
 * on is not proved. Else it is over, if nothing is off and no clock runs.
 */
export async function settleVisit(change: Change, visit: VisitRow): Promise<void> {
  const { trx } = change;
  const jobs = await jobsOfVisit(trx, visit.id);
  if (jobs.some((job) => job.state === 'open')) return;
  await mustBeTogether(trx, visit.id);
  await mustHaveNoClock(trx, visit.unit_id);
  const { unproved } = await trx
    .selectFrom('visit')
    .select('unproved')
    .where('id', '=', visit.id)
    .executeTakeFirstOrThrow();
  const isBegun = visit.begun_at !== null;
  if (!unproved && (isBegun || jobs.every((job) => job.closed_at !== null))) await endVisit(change, visit);
}

/** The visit is over; a unit whose lay-up was done stands from now on. What was never begun, or was put off, waits for the next one. */
export async function endVisit(change: Change, visit: VisitRow): Promise<void> {
  const { trx, at } = change;
  await trx
    .updateTable('visit')
    .set((eb) => ({ state: 'ended', ended_at: at, unproved: false, version: eb('version', '+', 1) }))
    .where('id', '=', visit.id)
    .execute();
  const jobs = await jobsOfVisit(trx, visit.id);
  await layUpByJobs(change, jobs);
  const left = jobs.filter((job) => job.closed_at === null);
  for (const job of left) {
    await joinVisit(trx, job, at);
    const wasTouched = await trx.selectFrom('log_entry').select('id').where('job_id', '=', job.id).executeTakeFirst();
    if (wasTouched) continue;
    // It was never on this card.
    await trx.deleteFrom('visit_job').where('visit_id', '=', visit.id).where('job_id', '=', job.id).execute();
  }
}
