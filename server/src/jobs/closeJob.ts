import type { Actor } from '../context';
import type { JobRow } from '../database/tables';
import type { UnitChange } from '../log/changeUnit';
import { releaseParts } from '../parts/partLines';

export interface ProofFigures {
  readonly minutesRun: number;
  readonly load: string | null;
  /** Why no load was to be had, and what so stayed unproved. */
  readonly unloaded?: string;
  readonly unproved?: readonly string[];
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
