import type { Db, Trx, UnitRow } from '../database/tables';
import { refuse } from '../refusal';

/** The unit with this tag, upper or lower case. */
export async function unitByTag(db: Db | Trx, tag: string): Promise<UnitRow> {
  const row = await db.selectFrom('unit').selectAll().where('tag', '=', tag.trim().toUpperCase()).executeTakeFirst();
  return row ?? refuse('no-such-tag', { tag });
}

/** The same, locked until the transaction ends: one change of a unit at a time. */
export async function lockUnit(trx: Trx, tag: string): Promise<UnitRow> {
  const row = await trx
    .selectFrom('unit')
    .selectAll()
    .where('tag', '=', tag.trim().toUpperCase())
    .forUpdate()
    .executeTakeFirst();
  return row ?? refuse('no-such-tag', { tag });
}

export async function lockUnitById(trx: Trx, id: number): Promise<UnitRow> {
  return trx.selectFrom('unit').selectAll().where('id', '=', id).forUpdate().executeTakeFirstOrThrow();
}
