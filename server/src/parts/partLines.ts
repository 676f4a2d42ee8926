import type { PartLine } from '@hudrik/core/contracts';
import type { Actor, Context } from '../context';
import type { Db, Trx } from '../database/tables';
import { record } from '../fleet/history';
import { isUuid } from '../isUuid';
import { lockJob } from '../jobs/lockJob';
import { refuse } from '../refusal';
import { freeOf, partOfNumber, shelfOf } from './shelf';
import { wakeCard } from './wakeCard';

export function lineRows(db: Db | Trx) {
  return db
    .selectFrom('part_line as l')
    .innerJoin('part as p', 'p.id', 'l.part_id')
    .innerJoin('job as j', 'j.id', 'l.job_id')
    .innerJoin('unit as u', 'u.id', 'j.unit_id')
    .leftJoin('part_order as o', 'o.id', 'l.order_id')
    .select([
      'l.id',
      'l.job_id',
      'u.tag',
      'l.asked',
      'p.number',
      'p.name',
      'l.count',
      'p.cents',
      'l.state',
      'p.place',
      'l.order_id',
      'o.expected_at',
      'o.late',
      'l.part_id',
    ])
    .orderBy('l.asked_at')
    .orderBy('l.id');
}

export async function toPartLines(
  db: Db | Trx,
  rows: Awaited<ReturnType<ReturnType<typeof lineRows>['execute']>>,
): Promise<PartLine[]> {
  const shelf = await shelfOf(db, [...new Set(rows.map((row) => row.part_id))]);
  return rows.map((row) => ({
    id: row.id,
    jobId: String(row.job_id),
    tag: row.tag,
    asked: row.asked,
    number: row.number,
    name: row.name,
    count: row.count,
    cents: row.cents,
    state: row.state,
    place: row.place,
    orderId: row.order_id,
    expectedAt: row.expected_at?.toISOString() ?? null,
    late: row.late ?? false,
    inStock: (shelf.get(row.part_id)?.onHand ?? 0) - (shelf.get(row.part_id)?.reserved ?? 0),
  }));
}

export const linesOfJob = async (db: Db | Trx, jobId: number): Promise<PartLine[]> =>
  toPartLines(db, await lineRows(db).where('l.job_id', '=', jobId).execute());

/** A part for a card: reserved when the shelf has it, else wanted. Any number that it ever had will do. */
export async function askPart(
  context: Context,
  actor: Actor,
  jobId: string,
  asked: { id: string; number: string; count: number },
): Promise<{ lines: PartLine[] }> {
  const id = await context.db.transaction().execute(async (trx) => {
    const twice = await trx.selectFrom('part_line').select('job_id').where('id', '=', asked.id).executeTakeFirst();
    if (twice) return String(twice.job_id) === jobId ? twice.job_id : refuse('key-reused', { id: asked.id });
    const job = await lockJob(trx, jobId);
    const part = await partOfNumber(trx, asked.number);
    const state = (await freeOf(trx, part.id)) >= asked.count ? 'reserved' : 'wanted';
    const at = context.now();
    await trx
      .insertInto('part_line')
      .values({
        id: asked.id,
        job_id: job.id,
        asked: asked.number,
        part_id: part.id,
        count: asked.count,
        state,
        order_id: null,
        asked_by: actor.id,
        asked_at: at,
      })
      .execute();
    await record(trx, {
      unitId: job.unit_id,
      at,
      kind: `part-${state}`,
      personId: actor.id,
      facts: { jobId, number: part.number, asked: asked.number, part: part.name, count: asked.count },
    });
    return job.id;
  });
  return { lines: await linesOfJob(context.db, id) };
}

export type PartAction = 'use' | 'return' | 'drop' | 'reserve';

/** From which states a deed may be done, and what comes of it. */
const ACTIONS = {
  use: { from: ['reserved', 'arrived'], to: 'used' },
  return: { from: ['used'], to: 'returned' },
  drop: { from: ['wanted', 'reserved', 'arrived', 'ordered'], to: 'dropped' },
  reserve: { from: ['wanted'], to: 'reserved' },
} as const;

export async function changePartLine(
  context: Context,
  actor: Actor,
  lineId: string,
  deed: PartAction,
): Promise<{ lines: PartLine[] }> {
  const jobId = await context.db.transaction().execute(async (trx) => {
    const seen = isUuid(lineId)
      ? await trx.selectFrom('part_line').select('job_id').where('id', '=', lineId).executeTakeFirst()
      : undefined;
    if (seen === undefined) return refuse('not-found', { line: lineId });
    const job = await lockJob(trx, String(seen.job_id));
    const line = await trx
      .selectFrom('part_line as l')
      .innerJoin('part as p', 'p.id', 'l.part_id')
      .select(['l.id', 'l.state', 'l.count', 'l.part_id', 'p.number', 'p.name'])
      .where('l.id', '=', lineId)
      .forUpdate()
      .executeTakeFirstOrThrow();
    const { from, to } = ACTIONS[deed];
    if (!(from as readonly string[]).includes(line.state)) return refuse('part-line-moved', { state: line.state });
    if (deed === 'reserve' && (await freeOf(trx, line.part_id)) < line.count)
      return refuse('not-in-stock', { number: line.number });
    const at = context.now();
    await trx.updateTable('part_line').set({ state: to }).where('id', '=', line.id).execute();
    if (deed === 'use')
      await trx
        .insertInto('part_move')
        .values({
          part_id: line.part_id,
          change: -line.count,
          why: 'used',
          note: null,
          line_id: line.id,
          person_id: actor.id,
          at,
        })
        .execute();
    if (deed === 'return')
      await trx
        .insertInto('part_move')
        .values({
          part_id: line.part_id,
          change: line.count,
          why: 'returned',
          note: null,
          line_id: line.id,
          person_id: actor.id,
          at,
        })
        .execute();
    await record(trx, {
      unitId: job.unit_id,
      at,
      kind: `part-${to}`,
      personId: actor.id,
      facts: { jobId: String(job.id), number: line.number, part: line.name, count: line.count },
    });
    await wakeCard(trx, job.id, at);
    return job.id;
  });
  return { lines: await linesOfJob(context.db, jobId) };
}

/** What an ended job had reserved goes back to the shelf; what it still wanted is wanted no more. What is on order stays on order, for the shelf. */
export async function releaseParts(trx: Trx, jobId: number): Promise<void> {
  await trx
    .updateTable('part_line')
    .set({ state: 'dropped' })
    .where('job_id', '=', jobId)
    .where('state', 'in', ['wanted', 'reserved', 'arrived'])
    .execute();
}
