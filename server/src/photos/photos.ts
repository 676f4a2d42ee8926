import { createHash } from 'node:crypto';
import { imageSize } from 'image-size';
import { sql } from 'kysely';
import sharp, { type Sharp } from 'sharp';
import { enqueue } from '../background/enqueue';
import { notifyChange } from '../background/notify';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Db, Trx } from '../database/tables';
import { isUuid } from '../isUuid';
import { personById } from '../people/people';
import { refuse } from '../refusal';

type PhotoType = 'image/jpeg' | 'image/png' | 'image/webp';
const MEDIA_TYPES: Readonly<Record<string, PhotoType>> = { jpg: 'image/jpeg', png: 'image/png', webp: 'image/webp' };
const LARGEST_PHOTO_BYTES = 2_500_000;

/**
 * Keeps a photo by the id its maker gave it. What it is, is read from its bytes, not from what it calls itself. Its small one is made in the
 * background. A lead may send on what another took.
 */
export async function putPhoto(context: Context, actor: Actor, id: string, bytes: Buffer, madeBy: number | null) {
  if (!isUuid(id)) return refuse('not-valid', { field: 'id' });
  if (bytes.length > LARGEST_PHOTO_BYTES) return refuse('too-large', { most: LARGEST_PHOTO_BYTES });
  const { mediaType, bytes: kept, width, height } = await drawnAnew(bytes, measure(bytes));
  const sentHash = createHash('sha256').update(bytes).digest();
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
        bytes: kept,
        sent_hash: sentHash,
        thumb: null,
        taken_at: context.now(),
      })
      .onConflict((conflict) => conflict.column('id').doNothing())
      .returning('id')
      .executeTakeFirst();
    if (fresh === undefined) return mustBeTheSame(trx, id, bytes, sentHash);
    await mustBeFew(trx, maker);
    await enqueue(trx, 'thumbnail', { photoId: id }, { key: `thumb-${id}` });
  });
  return { id, width, height, bytes: kept.length };
}

/** So many photos of one person may hang on nothing: a return of many checks is on its way. */
const MOST_LOOSE = 120;

/** Refused while too many photos of somebody hang on nothing. They go by themselves after a day. */
async function mustBeFew(trx: Trx, maker: Actor): Promise<void> {
  const { count } = await trx
    .selectFrom('photo')
    .select((eb) => eb.fn.countAll<number>().as('count'))
    .where('person_id', '=', maker.id)
    .where('used_by', 'is', null)
    .executeTakeFirstOrThrow();
  if (Number(count) > MOST_LOOSE) refuse('too-many-photos');
}

const LOOSE_MS = 86_400_000;

/** Photos that hang on nothing are taken away after a day. Out: how many. */
export async function dropLoosePhotos({ db, now }: Pick<Context, 'db' | 'now'>): Promise<number> {
  const before = new Date(now().getTime() - LOOSE_MS);
  const { rows } = await sql<{ count: string }>`select drop_loose_photos(${before}) as count`.execute(db);
  return Number(rows[0]?.count ?? 0);
}

async function makerOf({ db }: Context, actor: Actor, madeBy: number | null): Promise<Actor> {
  if (madeBy === null || madeBy === actor.id) return actor;
  if (actor.role !== 'lead') return refuse('not-your-role', { role: actor.role, wants: ['lead'] });
  return (await personById(db, madeBy)) ?? refuse('not-found', { person: madeBy });
}

/** No photo of a phone has more; what says so of itself is not even opened. */
const MOST_PIXELS = 50_000_000;
const QUALITY = 90;

interface Drawn {
  readonly mediaType: PhotoType;
  readonly width: number;
  readonly height: number;
  readonly bytes: Buffer;
}

/**
 * The picture itself, upright, and nothing that came with it: where and when it was taken, by what, and whatever lay behind its end. A file that
 * only its head says is a photo is refused.
 */
async function drawnAnew(bytes: Buffer, { width, height, mediaType }: Omit<Drawn, 'bytes'>): Promise<Drawn> {
  if (width * height > MOST_PIXELS) return refuse('too-large', { mostPixels: MOST_PIXELS });
  try {
    const picture = sharp(bytes, { failOn: 'error', limitInputPixels: MOST_PIXELS }).rotate();
    const { data, info } = await drawAs(picture, mediaType).toBuffer({ resolveWithObject: true });
    return { mediaType, width: info.width, height: info.height, bytes: data };
  } catch {
    return refuse('not-a-photo');
  }
}

function drawAs(picture: Sharp, mediaType: PhotoType): Sharp {
  if (mediaType === 'image/png') return picture.png();
  return mediaType === 'image/webp' ? picture.webp({ quality: QUALITY }) : picture.jpeg({ quality: QUALITY });
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

function measure(bytes: Buffer): Omit<Drawn, 'bytes'> {
  try {
    const { width, height, type } = imageSize(bytes);
    const mediaType = MEDIA_TYPES[type ?? ''];
    if (mediaType && width && height) return { width, height, mediaType };
  } catch {
    // Not an image of a kind we know: refused below.
  }
  return refuse('not-a-photo');
}

/** Sent again it is the same. Of photos of older versions only the bytes are known. */
async function mustBeTheSame(db: Db, id: string, bytes: Buffer, sentHash: Buffer): Promise<void> {
  const kept = await db
    .selectFrom('photo')
    .select(['bytes', 'sent_hash'])
    .where('id', '=', id)
    .executeTakeFirstOrThrow();
  const isSame = kept.sent_hash ? kept.sent_hash.equals(sentHash) : kept.bytes.equals(bytes);
  if (!isSame) refuse('key-reused', { id });
}

export async function readPhoto({ db }: Pick<Context, 'db'>, id: string): Promise<Photo> {
  const row = isUuid(id)
    ? await db.selectFrom('photo').select(['media_type', 'bytes']).where('id', '=', id).executeTakeFirst()
    : undefined;
  return row ? { mediaType: row.media_type, bytes: row.bytes } : refuse('not-found', { id });
}
