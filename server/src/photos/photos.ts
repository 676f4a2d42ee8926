import { imageSize } from 'image-size';
import type { Actor, Context } from '../context';
import { isUuid } from '../isUuid';
import { refuse } from '../refusal';

const MEDIA_TYPES: Readonly<Record<string, string>> = { jpg: 'image/jpeg', png: 'image/png', webp: 'image/webp' };
const LARGEST_PHOTO_BYTES = 2_500_000;

/** Keeps a photo by the id its maker gave it. What it is, is read from its bytes, not from what it calls itself. */
export async function putPhoto({ db, now }: Context, actor: Actor, id: string, bytes: Buffer) {
  if (!isUuid(id)) return refuse('not-valid', { field: 'id' });
  if (bytes.length > LARGEST_PHOTO_BYTES) return refuse('too-large', { most: LARGEST_PHOTO_BYTES });
  const { width, height, mediaType } = measure(bytes);
  const fresh = await db
    .insertInto('photo')
    .values({ id, person_id: actor.id, media_type: mediaType, width, height, bytes, taken_at: now() })
    .onConflict((conflict) => conflict.column('id').doNothing())
    .returning('id')
    .executeTakeFirst();
  if (fresh === undefined) await mustBeTheSame(db, id, bytes);
  return { id, width, height, bytes: bytes.length };
}

function measure(bytes: Buffer): { width: number; height: number; mediaType: string } {
  try {
    const { width, height, type } = imageSize(bytes);
    const mediaType = MEDIA_TYPES[type ?? ''];
    if (mediaType && width && height) return { width, height, mediaType };
  } catch {
    // Not an image of a kind we know: refused below.
  }
  return refuse('not-a-photo');
}

async function mustBeTheSame(db: Context['db'], id: string, bytes: Buffer): Promise<void> {
  const kept = await db.selectFrom('photo').select('bytes').where('id', '=', id).executeTakeFirstOrThrow();
  if (!kept.bytes.equals(bytes)) refuse('key-reused', { id });
}

export async function readPhoto({ db }: Context, id: string): Promise<{ mediaType: string; bytes: Buffer }> {
  const row = isUuid(id) ? await db.selectFrom('photo').select(['media_type', 'bytes']).where('id', '=', id).executeTakeFirst() : undefined;
  return row ? { mediaType: row.media_type, bytes: row.bytes } : refuse('not-found', { id });
}
