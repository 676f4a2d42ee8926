import { sql } from 'kysely';
import { todaysNumber, type Supersession } from '@hudrik/core/parts';
import { PROMISED_LINES } from '@hudrik/core/states';
import type { Db, Trx } from '../database/tables';
import { refuse } from '../refusal';

export const readSupersessions = async (db: Db): Promise<Supersession[]> =>
  (await db.selectFrom('supersession').selectAll().execute()).map((row) => ({
    old: row.old_number,
    by: row.by_number,
  }));

/** The part that a number stands for today. Refused when none does, or the list of numbers leads nowhere. */
export async function partOfNumber(db: Db, asked: string) {
  const today = todaysNumber(asked, await readSupersessions(db));
  if (!today.ok) return refuse('parts-tangled', { problem: today.problem });
  const part = await db.selectFrom('part').selectAll().where('number', '=', today.number).executeTakeFirst();
  return part
    ? { ...part, through: today.through }
    : refuse('part-unknown', { number: asked.toUpperCase(), today: today.number });
}

/** How many lie on the shelf, and how many of them are promised to cards; by part. */
export async function shelfOf(
  db: Db,
  partIds: readonly number[],
): Promise<ReadonlyMap<number, { readonly onHand: number; readonly reserved: number }>> {
  if (partIds.length === 0) return new Map();
  const rows = await db
    .selectFrom('part as p')
    .select('p.id')
    .select(sql<number>`(select coalesce(sum(m.change), 0)::int from part_move m where m.part_id = p.id)`.as('onHand'))
    .select(
      sql<number>`(select coalesce(sum(l.count), 0)::int from part_line l where l.part_id = p.id and l.state in (${sql.join(PROMISED_LINES)}))`.as(
        'reserved',
      ),
    )
    .where('p.id', 'in', partIds)
    .execute();
  return new Map(rows.map((row) => [row.id, { onHand: row.onHand, reserved: row.reserved }]));
}

export async function freeOf(trx: Trx, partId: number): Promise<number> {
  await trx.selectFrom('part').select('id').where('id', '=', partId).forUpdate().execute();
  const shelf = (await shelfOf(trx, [partId])).get(partId);
  return (shelf?.onHand ?? 0) - (shelf?.reserved ?? 0);
}
