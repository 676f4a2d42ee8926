import { RATING_IDS, type Rated } from '@hudrik/core/catalogue';
import type { Db } from '../database/tables';

interface Of {
  readonly modelId?: number;
  readonly unitId?: number;
}

/** Writes down which rated figures of a sheet or a plate were changed, and by whom: each waits for a second person who reads it from the plate. */
export async function setFigures(
  db: Db,
  { modelId, unitId }: Of,
  [before, after]: readonly [Rated, Rated],
  { by, at }: { readonly by: number | null; readonly at: Date },
): Promise<void> {
  const changed = RATING_IDS.filter((rating) => (before[rating] ?? null) !== (after[rating] ?? null));
  if (changed.length === 0) return;
  await db
    .insertInto('figure_set')
    .values(
      changed.map((rating) => ({
        ...{ model_id: modelId ?? null, unit_id: unitId ?? null, rating, value: after[rating] ?? null },
        ...{ set_at: at, set_by: by, confirmed_at: null, confirmed_by: null },
      })),
    )
    .execute();
}
