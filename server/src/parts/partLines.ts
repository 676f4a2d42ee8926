import type { PartLine } from '@hudrik/core/contracts';
import { PART_LINE } from '@hudrik/core/states';
import type { Db, Trx } from '../database/tables';
import { shelfOf } from './shelf';

export function lineRows(db: Db) {
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
  db: Db,
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

/** What the jobs of a visit want, have and used. */
export const linesOfJobs = async (db: Db, jobIds: readonly number[]): Promise<PartLine[]> =>
  toPartLines(
    db,
    await lineRows(db)
      .where('l.job_id', 'in', [...jobIds])
      .execute(),
  );

/** What an ended job had reserved goes back to the shelf; what it still wanted is wanted no more. What is on order stays on order, for the shelf. */
export async function releaseParts(trx: Trx, jobId: number): Promise<void> {
  for (const state of PART_LINE.from('release')) {
    const next = PART_LINE.after(state, 'release');
    if (!next.ok || next.state === state) continue;
    await trx
      .updateTable('part_line')
      .set({ state: next.state })
      .where('job_id', '=', jobId)
      .where('state', '=', state)
      .execute();
  }
}
