import { isUuid } from '../isUuid';
import type { Trx } from '../database/tables';

/** Ids of photos that facts name, wherever in them. */
function photosIn(facts: unknown): string[] {
  if (Array.isArray(facts)) return facts.flatMap(photosIn);
  if (typeof facts !== 'object' || facts === null) return [];
  return Object.entries(facts).flatMap(([name, value]: [string, unknown]) => {
    if (name === 'photoId') return typeof value === 'string' && isUuid(value) ? [value] : [];
    if (name === 'photos' && Array.isArray(value)) return value.filter((one): one is string => isUuid(String(one)));
    return photosIn(value);
  });
}

/** A photo hangs on the first entry that names it, and stays. */
export async function hangPhotos(trx: Trx, entryId: string, facts: unknown): Promise<void> {
  const ids = photosIn(facts);
  if (ids.length > 0)
    await trx
      .updateTable('photo')
      .set({ used_by: entryId })
      .where('id', 'in', ids)
      .where('used_by', 'is', null)
      .execute();
}
