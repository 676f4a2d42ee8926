import type { Actor } from '../context';
import type { JobRow, Trx } from '../database/tables';
import { record } from '../fleet/history';
import { lastReading } from '../fleet/meters';
import { releaseParts } from '../parts/partLines';

export interface Closing {
  readonly state: 'done' | 'dropped';
  readonly with: Readonly<Record<string, unknown>>;
  readonly at: Date;
  readonly actor: Actor;
}

/** Ends a job: its clocks stop, what it had reserved and not used goes back to the shelf. */
export async function closeJob(trx: Trx, job: JobRow, closing: Closing): Promise<void> {
  await trx
    .updateTable('job')
    .set({
      state: closing.state,
      closed_at: closing.at,
      closed_by: closing.actor.id,
      closed_with: JSON.stringify(closing.with),
      version: job.version + 1,
    })
    .where('id', '=', job.id)
    .execute();
  await trx
    .updateTable('clock')
    .set({ result: 'stopped', ended_at: closing.at })
    .where('job_id', '=', job.id)
    .where('result', 'is', null)
    .execute();
  await releaseParts(trx, job.id);
  await record(trx, {
    unitId: job.unit_id,
    at: closing.at,
    kind: `job-${closing.state}`,
    personId: closing.actor.id,
    facts: { jobId: String(job.id), title: job.title, kind: job.kind, ...closing.with },
  });
  if (closing.state === 'done' && job.work === 'oil-service') await restartOilService(trx, job.unit_id);
}

async function restartOilService(trx: Trx, unitId: number): Promise<void> {
  const { trueHours } = await lastReading(trx, unitId);
  await trx.updateTable('unit').set({ last_oil_service_true_hours: trueHours }).where('id', '=', unitId).execute();
}
