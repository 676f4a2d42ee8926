import type { Actor } from '../context';
import type { JobRow, Trx, VisitRow } from '../database/tables';
import { refuse } from '../refusal';
import type { UnitChange } from '../log/changeUnit';
import { listMissingSteps } from './listMissingSteps';

/** A job that waits or was put off is taken to the bench, and its visit with it. */
export async function openJob(
  { trx, at }: Pick<UnitChange, 'trx' | 'at'>,
  job: JobRow,
  visit: VisitRow,
  actor: Actor,
): Promise<void> {
  await mustBeHere(trx, job.unit_id);
  await trx
    .updateTable('job')
    .set({ state: 'open', started_at: at, started_by: actor.id, version: job.version + 1 })
    .where('id', '=', job.id)
    .execute();
  const isIdle = visit.state === 'waiting' || visit.state === 'parked';
  await trx
    .updateTable('visit')
    .set((eb) => ({
      state: isIdle ? 'open' : visit.state,
      begun_at: visit.begun_at ?? at,
      version: eb('version', '+', 1),
    }))
    .where('id', '=', visit.id)
    .execute();
}

/** A unit that is out with a hirer is on no bench. */
async function mustBeHere(trx: Trx, unitId: number): Promise<void> {
  const out = await trx
    .selectFrom('hire')
    .select('reference')
    .where('unit_id', '=', unitId)
    .where('state', '=', 'out')
    .executeTakeFirst();
  if (out) refuse('unit-is-out', { reference: out.reference });
}

/** The same by the first entry on its card: that it was begun is written down too. */
export async function beginJob(
  change: Omit<UnitChange, 'actor'>,
  job: JobRow,
  visit: VisitRow,
  actor: Actor,
): Promise<void> {
  await openJob(change, job, visit, actor);
  await change.append({ kind: 'job-started', facts: {}, jobId: job.id, outcome: { title: job.title } });
  await listMissingSteps(change, job, visit.id, 'start');
}
