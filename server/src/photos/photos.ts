import { imageSize } from 'image-size';
import sharp from 'sharp';
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
    .values({
      id,
      person_id: actor.id,
      media_type: mediaType,
      width,
      height,
      bytes,
      thumb: await smallOf(bytes),
      taken_at: now(),
    })
    .onConflict((conflict) => conflict.column('id').doNothing())
    .returning('id')
    .executeTakeFirst();
  if (fresh === undefined) await mustBeTheSame(db, id, bytes);
  return { id, width, height, bytes: bytes.length };
}

const SMALL_EDGE = 240;
const SMALL_QUALITY = 70;

/** The photo at thumbnail size. A file that only its head says is a photo is refused. */
async function smallOf(bytes: Buffer): Promise<Buffer> {
  try {
    return await sharp(bytes)
      .rotate()
      .resize(SMALL_EDGE, SMALL_EDGE, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: SMALL_QUALITY })
      .toBuffer();
  } catch {
    return refuse('not-a-photo');
  }
}

/** The photo, small. Photos from before there were small ones get theirs now. */
export async function readThumb({ db }: Context, id: string): Promise<{ mediaType: string; bytes: Buffer }> {
  const row = isUuid(id)
    ? await db.selectFrom('photo').select('thumb').where('id', '=', id).executeTakeFirst()
    : undefined;
  if (row === undefined) return refuse('not-found', { id });
  if (row.thumb) return { mediaType: 'image/jpeg', bytes: row.thumb };
  const thumb = await smallOf((await readPhoto({ db }, id)).bytes);
  await db.updateTable('photo').set({ thumb }).where('id', '=', id).execute();
  return { mediaType: 'image/jpeg', bytes: thumb };
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

export async function readPhoto(
  { db }: Pick<Context, 'db'>,
  id: string,
): Promise<{ mediaType: string; bytes: Buffer }> {
  const row = isUuid(id)
    ? await db.selectFrom('photo').select(['media_type', 'bytes']).where('id', '=', id).executeTakeFirst()
    : undefined;
  return row ? { mediaType: row.media_type, bytes: row.bytes } : refuse('not-found', { id });
}
