import { entryOf, RESETS_OF_WORK } from '@hudrik/core/catalogue';
import { cardOf } from '@hudrik/core/log';
import type { Actor } from '../context';
import type { JobRow, Trx } from '../database/tables';
import { lastReading } from '../fleet/meters';
import type { UnitChange } from '../log/changeUnit';
import { entriesOfJob } from '../log/readLog';
import { releaseParts } from '../parts/partLines';

export interface ProofFigures {
  readonly minutesRun: number;
  readonly load: string | null;
  readonly tested: string;
  readonly readings: readonly { readonly name: string; readonly value: number; readonly unit: string }[];
}

export type Closing =
  | { readonly state: 'done'; readonly note: string; readonly proof?: ProofFigures; readonly actor: Actor }
  | { readonly state: 'dropped'; readonly why: string; readonly actor: Actor };

/** Ends a job: what it had reserved and not used goes back to the shelf. Its clocks run on, on the visit. Whoever drops it has written that down. */
export async function closeJob(change: Omit<UnitChange, 'actor'>, job: JobRow, closing: Closing): Promise<void> {
  const { trx, at } = change;
  const { state, actor, ...words } = closing;
  await trx
    .updateTable('job')
    .set((eb) => ({
      state,
      closed_at: at,
      closed_by: actor.id,
      closed_with: JSON.stringify(words),
      version: eb('version', '+', 1),
    }))
    .where('id', '=', job.id)
    .execute();
  await releaseParts(trx, job.id);
}

/**
 * Starts the unit's counter anew that this job's work is there for, if the step that does it was ticked. Out: why not, in a sentence for the
 * history; undefined where there is nothing to say.
 */
export async function startCounterAnew(trx: Trx, job: JobRow): Promise<string | undefined> {
  const reset = entryOf(RESETS_OF_WORK, job.work);
  if (reset === undefined) return undefined;
  const { steps } = cardOf(await entriesOfJob(trx, job.id));
  if (!steps.some((step) => step.key === reset.step && step.state === 'done'))
    return 'The oil change was not ticked: its hours go on.';
  const { trueHours } = await lastReading(trx, job.unit_id);
  await trx.updateTable('unit').set({ last_oil_service_true_hours: trueHours }).where('id', '=', job.unit_id).execute();
  return undefined;
}
