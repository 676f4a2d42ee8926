import { cardOf } from '@hudrik/core/log';
import { CLOCK } from '@hudrik/core/states';
import type { Trx } from '../database/tables';
import { refuse } from '../refusal';
import { releaseParts } from '../parts/partLines';
import { entriesOfVisit, findOpenVisit, jobsOfVisit } from './visits';

/** What lies in the tray of a visit, or is on only for a trial: all of it, or what came off for one job. */
async function thingsOffOf(trx: Trx, visitId: number, jobId: number | null): Promise<string[]> {
  const { ledger } = cardOf(await entriesOfVisit(trx, visitId));
  return [...ledger.putBack, ...ledger.onTrial]
    .filter((thing) => jobId === null || thing.jobId === String(jobId))
    .map((thing) => thing.what);
}

/** Refused while anything is off on this visit, or of one of its jobs. */
export async function mustBeTogether(trx: Trx, visitId: number, jobId: number | null = null): Promise<void> {
  const things = await thingsOffOf(trx, visitId, jobId);
  if (things.length > 0) refuse('things-off', { things });
}

/** Refused while a clock of the unit runs. */
export async function mustHaveNoClock(trx: Trx, unitId: number): Promise<void> {
  const clock = await trx
    .selectFrom('clock')
    .select('kind')
    .where('unit_id', '=', unitId)
    .where('state', '=', 'running')
    .executeTakeFirst();
  if (clock) refuse('clock-runs', { clock: clock.kind });
}

/** Refused while anything of the unit is off, or a clock runs on it: it is neither laid up nor sold like that. */
export async function mustBeAtRest(trx: Trx, unitId: number): Promise<void> {
  const visit = await findOpenVisit(trx, unitId);
  if (visit) await mustBeTogether(trx, visit.id);
  await mustHaveNoClock(trx, unitId);
}

/** A unit that is scrapped: its clocks stop, and what its jobs had reserved goes back to the shelf. */
export async function layDownWork(trx: Trx, unitId: number, at: Date): Promise<void> {
  const stopped = CLOCK.after('running', 'stop');
  if (stopped.ok)
    await trx
      .updateTable('clock')
      .set({ state: stopped.state, ended_at: at })
      .where('unit_id', '=', unitId)
      .where('state', 'in', CLOCK.from('stop'))
      .execute();
  const visit = await findOpenVisit(trx, unitId);
  if (visit) for (const { id } of await jobsOfVisit(trx, visit.id)) await releaseParts(trx, id);
}
