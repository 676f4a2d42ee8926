import type { Actor, Context } from '../context';
import { notifyChange } from '../background/notify';
import type { Db } from '../database/tables';
import { refuse } from '../refusal';
import { freshCode, freshSecret, hashOf, plainCode } from './secrets';

const CODE_MS = 10 * 60_000;

export interface Device {
  readonly id: number;
  readonly name: string;
}

type Asking = Pick<Context, 'db' | 'now'>;

/** A code that lets one device in: used once, within ten minutes. Nobody makes it: whoever runs the server. */
export async function makeDeviceCode({ db, now }: Asking, by: Pick<Actor, 'id'> | null) {
  const code = freshCode();
  const expiresAt = new Date(now().getTime() + CODE_MS);
  await db.deleteFrom('device_code').where('expires_at', '<', now()).execute();
  await db
    .insertInto('device_code')
    .values({ code_hash: hashOf(code), made_by: by?.id ?? null, expires_at: expiresAt, used_at: null })
    .execute();
  return { code, expiresAt: expiresAt.toISOString() };
}

/** Lets a device in by such a code. Out: its key, of which only the hash is kept. */
export async function letInByCode({ db, now }: Asking, code: string, name: string) {
  const used = await db
    .updateTable('device_code')
    .set({ used_at: now() })
    .where('code_hash', '=', hashOf(plainCode(code)))
    .where('used_at', 'is', null)
    .where('expires_at', '>', now())
    .returning('made_by')
    .executeTakeFirst();
  if (used === undefined) return refuse('wrong-code');
  return letDeviceIn({ db, now }, name, used.made_by);
}

/** Lets a device in. Only what checked why it may calls this. */
export async function letDeviceIn(
  { db, now }: Asking,
  name: string,
  by: number | null,
): Promise<{ readonly key: string; readonly device: Device }> {
  const key = freshSecret();
  const { id } = await db
    .insertInto('device')
    .values({ name, key_hash: hashOf(key), let_in_at: now(), let_in_by: by, seen_at: now(), put_out_at: null })
    .returning('id')
    .executeTakeFirstOrThrow();
  await notifyChange(db, { what: 'devices', id: String(id) });
  return { key, device: { id, name } };
}

/** Puts a device out: its key is good for nothing from now on, and whoever is signed in on it is signed out. */
export async function putOutDevice({ db, now }: Asking, id: number): Promise<void> {
  const { numUpdatedRows } = await db
    .updateTable('device')
    .set({ put_out_at: now() })
    .where('id', '=', id)
    .where('put_out_at', 'is', null)
    .executeTakeFirst();
  if (numUpdatedRows === 0n) refuse('not-found', { device: id });
  await db.deleteFrom('session').where('device_id', '=', id).execute();
  await sessionsEnded(db);
}

/** Streams look whether their session still lives. */
export const sessionsEnded = (db: Db): Promise<void> => notifyChange(db, { what: 'sessions', id: '' });

export const isAnyDeviceIn = async (db: Db): Promise<boolean> =>
  (await db.selectFrom('device').select('id').where('put_out_at', 'is', null).limit(1).executeTakeFirst()) !==
  undefined;
