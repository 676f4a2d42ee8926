import type { Db, UnitRow } from '../database/tables';
import { refuse } from '../refusal';

/** The unit with this tag, upper or lower case. To change it: `log/changeUnit`. */
export async function unitByTag(db: Db, tag: string): Promise<UnitRow> {
  const row = await db.selectFrom('unit').selectAll().where('tag', '=', tag.trim().toUpperCase()).executeTakeFirst();
  return row ?? refuse('no-such-tag', { tag });
}
