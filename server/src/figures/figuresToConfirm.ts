import { RATING_IDS } from '@hudrik/core/catalogue';
import type { UnitPage } from '@hudrik/core/contracts';
import type { Db, UnitRow } from '../database/tables';
import { figuresBehind } from './figureInForce';

/** Figures that were changed after something open was found by them: until a lead has confirmed one, it closes nothing. */
export async function figuresToConfirm(db: Db, unit: Pick<UnitRow, 'id' | 'model_id'>): Promise<UnitPage['toConfirm']> {
  const defects = await db
    .selectFrom('defect')
    .select(['id', 'limits', 'found_at'])
    .where('unit_id', '=', unit.id)
    .where('closed_at', 'is', null)
    .where('limits', 'is not', null)
    .orderBy('found_at')
    .execute();
  const waiting: UnitPage['toConfirm'][number][] = [];
  for (const { id: defectId, limits, found_at: foundAt } of defects) {
    const rating = RATING_IDS.find((one) => one === limits?.rating);
    const figures = rating === undefined ? [] : await figuresBehind(db, unit, rating);
    for (const { setAt, setBy, confirmedAt, of, value, rating: changed } of figures) {
      const id = RATING_IDS.find((one) => one === changed);
      if (id === undefined || confirmedAt !== null || setAt <= foundAt) continue;
      waiting.push({ defectId, rating: id, of, value, by: await nameOf(db, setBy), at: setAt.toISOString() });
    }
  }
  return waiting;
}

const nameOf = async (db: Db, id: number | null): Promise<string | null> =>
  id === null
    ? null
    : ((await db.selectFrom('person').select('name').where('id', '=', id).executeTakeFirst())?.name ?? null);
