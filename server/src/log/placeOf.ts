import type { SentLogEntry } from '@hudrik/core/contracts';
import type { Trx } from '../database/tables';
import { refuse } from '../refusal';
import type { UnitRef } from './changeUnit';

/** What an entry hangs on: its unit (none: a machine that is not on the yard), and the job or finding on it. */
export interface Place {
  readonly unit: UnitRef | null;
  readonly jobId: number | null;
  readonly findingId: string | null;
}

type On = 'unit' | 'job' | 'finding' | 'part-line';

/** Finds what an entry hangs on. Nothing is locked yet: whoever takes it looks again under the lock. */
export async function placeOf(trx: Trx, sent: SentLogEntry, on: On): Promise<Place> {
  if (on === 'part-line') return onLine(trx, sent.lineId);
  if (on === 'finding') return onFinding(trx, sent.findingId);
  if (on === 'job' || sent.jobId !== null) return onJob(trx, sent.jobId);
  // A finding may be begun of a machine that has no tag.
  if (sent.tag === null && sent.kind === 'finding-opened') return { unit: null, jobId: null, findingId: null };
  return { unit: { tag: sent.tag ?? refuse('not-valid', { field: 'tag' }) }, jobId: null, findingId: null };
}

async function onJob(trx: Trx, jobId: string | null): Promise<Place> {
  if (jobId === null) return refuse('not-valid', { field: 'jobId' });
  const job = await trx.selectFrom('job').select(['id', 'unit_id']).where('id', '=', Number(jobId)).executeTakeFirst();
  return job ? { unit: { id: job.unit_id }, jobId: job.id, findingId: null } : refuse('not-found', { job: jobId });
}

async function onLine(trx: Trx, lineId: string | null): Promise<Place> {
  if (lineId === null) return refuse('not-valid', { field: 'lineId' });
  const line = await trx
    .selectFrom('part_line as l')
    .innerJoin('job as j', 'j.id', 'l.job_id')
    .select(['j.id', 'j.unit_id'])
    .where('l.id', '=', lineId)
    .executeTakeFirst();
  return line ? { unit: { id: line.unit_id }, jobId: line.id, findingId: null } : refuse('not-found', { line: lineId });
}

/**
 * The finding of this id. Where somebody had begun on the unit already when a device began another, theirs is gone on with: the entry that
 * began the second one says which.
 */
async function onFinding(trx: Trx, findingId: string | null): Promise<Place> {
  if (findingId === null) return refuse('not-valid', { field: 'findingId' });
  const finding = await findingById(trx, findingId);
  if (finding) return finding;
  const begun = await trx
    .selectFrom('log_entry')
    .select('outcome')
    .where('id', '=', findingId)
    .where('kind', '=', 'finding-opened')
    .executeTakeFirst();
  const theirs = begun && (await findingById(trx, String(begun.outcome['findingId'])));
  return theirs ?? refuse('not-found', { finding: findingId });
}

async function findingById(trx: Trx, id: string): Promise<Place | undefined> {
  const row = await trx.selectFrom('finding').select('unit_id').where('id', '=', id).executeTakeFirst();
  return row && { unit: row.unit_id === null ? null : { id: row.unit_id }, jobId: null, findingId: id };
}
