import type { RatingId } from '@hudrik/core/catalogue';
import type { Db, UnitRow } from '../database/tables';

/** Figures that another is reckoned from: a ram's pressure from its force and bore. */
const MADE_OF: Readonly<Partial<Record<RatingId, readonly RatingId[]>>> = { pressure: ['pressure', 'force', 'bore'] };

export interface FigureSet {
  readonly id: number;
  readonly of: 'unit' | 'model';
  readonly rating: string;
  readonly value: number | null;
  readonly setAt: Date;
  readonly setBy: number | null;
  readonly confirmedAt: Date | null;
}

/** What was last changed of the figures that a limit of this unit goes by: of the unit itself, and of its model. */
export async function figuresBehind(
  db: Db,
  unit: Pick<UnitRow, 'id' | 'model_id'>,
  rating: RatingId,
): Promise<FigureSet[]> {
  const rows = await db
    .selectFrom('figure_set')
    .distinctOn(['rating', 'unit_id', 'model_id'])
    .selectAll()
    .where('rating', 'in', [...(MADE_OF[rating] ?? [rating])])
    .where((eb) => eb.or([eb('unit_id', '=', unit.id), eb('model_id', '=', unit.model_id)]))
    .orderBy('rating')
    .orderBy('unit_id')
    .orderBy('model_id')
    .orderBy('id', 'desc')
    .execute();
  return rows.map((row) => ({
    ...{ id: row.id, of: row.unit_id === null ? 'model' : 'unit', rating: row.rating, value: row.value },
    ...{ setAt: row.set_at, setBy: row.set_by, confirmedAt: row.confirmed_at },
  }));
}
