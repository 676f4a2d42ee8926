import { NOT_LOOKED_AT, type DefectEnd } from '@hudrik/core/defects';
import type { DefectRow, Trx } from '../database/tables';
import { refuse } from '../refusal';

/** The open defects of a job: what its signature must have looked at. */
const openDefectsOfJob = (trx: Trx, jobId: number): Promise<DefectRow[]> =>
  trx
    .selectFrom('defect')
    .selectAll()
    .where('job_id', '=', jobId)
    .where('closed_at', 'is', null)
    .orderBy('found_at')
    .execute();

/**
 * Refused while a defect of the job was not looked at by who signs: a signature closes what it has seen in order, and no job ends with what it
 * was there for still open. Out: what is to be closed.
 */
export async function lookedAtAll(trx: Trx, jobId: number, looks: readonly string[] | undefined): Promise<DefectRow[]> {
  const open = await openDefectsOfJob(trx, jobId);
  const missed = open.filter((defect) => !(looks ?? []).includes(defect.id));
  if (missed.length > 0)
    return refuse('not-looked-at', { defects: missed.map(({ id, sentence }) => ({ id, sentence })) });
  return open;
}

interface Closing {
  readonly entryId: string;
  readonly how: DefectEnd;
  readonly at: Date;
}

/** Closes defects with the entry that says so. */
export async function closeDefects(trx: Trx, ids: readonly string[], { entryId, how, at }: Closing): Promise<void> {
  if (ids.length === 0) return;
  await trx
    .updateTable('defect')
    .set({ closed_at: at, closed_by: entryId, closed_how: how })
    .where('id', 'in', [...ids])
    .where('closed_at', 'is', null)
    .execute();
}

interface Looked {
  readonly unitId: number;
  readonly entryId: string;
  readonly at: Date;
}

/** A check that nobody could look at is looked at now: that defect is closed. What was found instead opens its own. */
export async function closeLookedAt(
  trx: Trx,
  { unitId, entryId, at }: Looked,
  answers: readonly { readonly check: string; readonly result: string }[],
): Promise<void> {
  const checks = answers.filter((answer) => answer.result !== NOT_LOOKED_AT).map((answer) => answer.check);
  if (checks.length === 0) return;
  const rows = await trx
    .selectFrom('defect')
    .select('id')
    .where('unit_id', '=', unitId)
    .where('origin_kind', '=', 'check')
    .where('exception', '=', NOT_LOOKED_AT)
    .where('origin_id', 'in', checks)
    .where('closed_at', 'is', null)
    .execute();
  await closeDefects(
    trx,
    rows.map((row) => row.id),
    { entryId, how: 'looked-at', at },
  );
}
