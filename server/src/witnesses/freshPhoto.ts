import type { Trx } from '../database/tables';
import { refuse } from '../refusal';

/** A photo taken for something is taken then. */
const FRESH_MS = 86_400_000;

/** Refused unless it is a photo taken for this: kept here, of today, and hanging on nothing else. */
export async function mustBeFresh(trx: Trx, photoId: string | null, at: Date): Promise<void> {
  const photo =
    photoId === null
      ? undefined
      : await trx.selectFrom('photo').select(['used_by', 'taken_at']).where('id', '=', photoId).executeTakeFirst();
  if (photo === undefined) return refuse('photo-wanted', { why: 'missing' });
  if (photo.used_by !== null) return refuse('photo-wanted', { why: 'used' });
  if (at.getTime() - photo.taken_at.getTime() > FRESH_MS) return refuse('photo-wanted', { why: 'old' });
}
