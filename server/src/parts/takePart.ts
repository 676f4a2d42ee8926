import { UNKNOWN_NUMBER } from '@hudrik/core/parts';
import { PART_LINE, type PartLineAction } from '@hudrik/core/states';
import type { Trx } from '../database/tables';
import { jobUnderLock } from '../jobs/jobUnderLock';
import { resumeWhenPartsAreThere } from '../jobs/resumeWhenPartsAreThere';
import type { Taker } from '../log/taking';
import { refuse } from '../refusal';
import { askQuoteUnlessFresh } from './quotes';
import { freeOf, partOfNumber } from './shelf';

/** A part for a job: reserved when the shelf has it, else wanted. Any number that it ever had will do. */
export const askPart: Taker<'part-asked'> = async ({ context, change, actor, place, facts, record }) => {
  const { trx, at } = change;
  const job = await jobUnderLock(trx, place.jobId);
  const part = facts.number === undefined ? await unnumberedPart(trx, facts) : await partOfNumber(trx, facts.number);
  const state = (await freeOf(trx, part.id)) >= facts.count ? 'reserved' : 'wanted';
  await trx
    .insertInto('part_line')
    .values({
      id: facts.lineId,
      job_id: job.id,
      asked: facts.number ?? part.number,
      part_id: part.id,
      count: facts.count,
      state,
      order_id: null,
      asked_by: actor.id,
      asked_at: at,
    })
    .execute();
  if (state === 'wanted' && facts.number !== undefined) await askQuoteUnlessFresh(context, part.number);
  await record({ jobId: job.id, outcome: { number: part.number, part: part.name, count: facts.count, state } });
};

/** A part that is needed and whose number nobody knows yet stands under one of our own until somebody does. */
const unnumberedPart = (
  trx: Trx,
  { lineId, name = '' }: { readonly lineId: string; readonly name?: string | undefined },
) =>
  trx
    .insertInto('part')
    .values({ number: `${UNKNOWN_NUMBER}${lineId.slice(0, 8).toUpperCase()}`, name, cents: 0, place: '' })
    .returningAll()
    .executeTakeFirstOrThrow();

/** How a shelf changes by what is done with a part. */
const MOVES: Readonly<Partial<Record<PartLineAction, { readonly sign: 1 | -1; readonly why: 'used' | 'returned' }>>> = {
  use: { sign: -1, why: 'used' },
  return: { sign: 1, why: 'returned' },
};

/** What became of a part that was asked for. */
export const changePartLine: Taker<'part-line-changed'> = async ({ change, actor, place, facts, record }) => {
  const { trx, at } = change;
  const line = await lineUnderLock(trx, place.lineId);
  const job = await jobUnderLock(trx, String(line.job_id));
  const next = PART_LINE.after(line.state, facts.action);
  if (!next.ok) return refuse('part-line-moved', { state: next.state });
  if (facts.action === 'reserve' && (await freeOf(trx, line.part_id)) < line.count)
    return refuse('not-in-stock', { number: line.number });
  await trx.updateTable('part_line').set({ state: next.state }).where('id', '=', line.id).execute();
  const move = MOVES[facts.action];
  if (move)
    await trx
      .insertInto('part_move')
      .values({
        part_id: line.part_id,
        change: move.sign * line.count,
        why: move.why,
        note: null,
        line_id: line.id,
        person_id: actor.id,
        at,
      })
      .execute();
  await record({ jobId: job.id, outcome: { number: line.number, part: line.name, count: line.count } });
  return resumeWhenPartsAreThere(change, job.id);
};

async function lineUnderLock(trx: Trx, lineId: string | null) {
  const line = await trx
    .selectFrom('part_line as l')
    .innerJoin('part as p', 'p.id', 'l.part_id')
    .select(['l.id', 'l.job_id', 'l.state', 'l.count', 'l.part_id', 'p.number', 'p.name'])
    .where('l.id', '=', lineId ?? '')
    .forUpdate()
    .executeTakeFirst();
  return line ?? refuse('not-found', { line: lineId });
}

/** A part that was taken off, kept to be cleaned and proved. */
export const keepPart: Taker<'part-kept'> = async ({ change, id, place, facts, record }) => {
  const { trx, at } = change;
  const job = await trx.selectFrom('job').select('id').where('id', '=', Number(place.jobId)).executeTakeFirstOrThrow();
  const { name, number, place: shelf } = facts;
  await trx.insertInto('exchange_part').values({ id, name, number, origin_job_id: job.id, place: shelf, at }).execute();
  await record({ jobId: job.id });
};
