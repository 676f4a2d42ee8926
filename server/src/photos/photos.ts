import { imageSize } from 'image-size';
import sharp from 'sharp';
import { enqueue } from '../background/enqueue';
import { notifyChange } from '../background/notify';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Db } from '../database/tables';
import { isUuid } from '../isUuid';
import { personById } from '../people/people';
import { refuse } from '../refusal';

const MEDIA_TYPES: Readonly<Record<string, string>> = { jpg: 'image/jpeg', png: 'image/png', webp: 'image/webp' };
const LARGEST_PHOTO_BYTES = 2_500_000;

/**
 * Keeps a photo by the id its maker gave it. What it is, is read from its bytes, not from what it calls itself. Its small one is made in the
 * background. A lead may send on what another took.
 */
export async function putPhoto(context: Context, actor: Actor, id: string, bytes: Buffer, madeBy: number | null) {
  if (!isUuid(id)) return refuse('not-valid', { field: 'id' });
  if (bytes.length > LARGEST_PHOTO_BYTES) return refuse('too-large', { most: LARGEST_PHOTO_BYTES });
  const { width, height, mediaType } = measure(bytes);
  await mustDecode(bytes);
  const maker = await makerOf(context, actor, madeBy);
  await inTransaction(context.db, async (trx) => {
    const fresh = await trx
      .insertInto('photo')
      .values({
        id,
        person_id: maker.id,
        media_type: mediaType,
        width,
        height,
        bytes,
        thumb: null,
        taken_at: context.now(),
      })
      .onConflict((conflict) => conflict.column('id').doNothing())
      .returning('id')
      .executeTakeFirst();
    if (fresh === undefined) await mustBeTheSame(trx, id, bytes);
    else await enqueue(trx, 'thumbnail', { photoId: id }, { key: `thumb-${id}` });
  });
  return { id, width, height, bytes: bytes.length };
}

async function makerOf({ db }: Context, actor: Actor, madeBy: number | null): Promise<Actor> {
  if (madeBy === null || madeBy === actor.id) return actor;
  if (actor.role !== 'lead') return refuse('not-your-role', { role: actor.role, wants: ['lead'] });
  return (await personById(db, madeBy)) ?? refuse('not-found', { person: madeBy });
}

/** A file that only its head says is a photo is refused. Decoded at a sixteenth, which costs next to nothing. */
async function mustDecode(bytes: Buffer): Promise<void> {
  try {
    await sharp(bytes, { failOn: 'error' }).resize(16).raw().toBuffer();
  } catch {
    refuse('not-a-photo');
  }
}

const SMALL_EDGE = 240;
const SMALL_QUALITY = 70;

/** Makes a photo's small one. Made twice it is the same. */
export async function makeThumbnail({ db }: Pick<Context, 'db'>, id: string): Promise<void> {
  const row = await db.selectFrom('photo').select(['bytes', 'thumb']).where('id', '=', id).executeTakeFirst();
  if (row === undefined || row.thumb !== null) return;
  const thumb = await sharp(row.bytes)
    .rotate()
    .resize(SMALL_EDGE, SMALL_EDGE, { fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: SMALL_QUALITY })
    .toBuffer();
  await db.updateTable('photo').set({ thumb }).where('id', '=', id).execute();
  await notifyChange(db, { what: 'photo', id });
}

/** Photos of older versions that have no small one yet get theirs. */
export async function enqueueMissingThumbnails(db: Db): Promise<void> {
  const rows = await db.selectFrom('photo').select('id').where('thumb', 'is', null).limit(200).execute();
  for (const { id } of rows) await enqueue(db, 'thumbnail', { photoId: id }, { key: `thumb-${id}` });
}

/** The photo, small; until the small one is made, the photo itself. */
export async function readThumb(
  { db }: Pick<Context, 'db'>,
  id: string,
): Promise<Photo & { readonly isFinal: boolean }> {
  const row = isUuid(id)
    ? await db.selectFrom('photo').select('thumb').where('id', '=', id).executeTakeFirst()
    : undefined;
  if (row === undefined) return refuse('not-found', { id });
  if (row.thumb) return { mediaType: 'image/jpeg', bytes: row.thumb, isFinal: true };
  return { ...(await readPhoto({ db }, id)), isFinal: false };
}

export interface Photo {
  readonly mediaType: string;
  readonly bytes: Buffer;
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

async function mustBeTheSame(db: Db, id: string, bytes: Buffer): Promise<void> {
  const kept = await db.selectFrom('photo').select('bytes').where('id', '=', id).executeTakeFirstOrThrow();
  if (!kept.bytes.equals(bytes)) refuse('key-reused', { id });
}

export async function readPhoto({ db }: Pick<Context, 'db'>, id: string): Promise<Photo> {
  const row = isUuid(id)
    ? await db.selectFrom('photo').select(['media_type', 'bytes']).where('id', '=', id).executeTakeFirst()
    : undefined;
  return row ? { mediaType: row.media_type, bytes: row.bytes } : refuse('not-found', { id });
}
