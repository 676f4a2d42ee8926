import { createHash, randomBytes } from 'node:crypto';
import type { Person, SignInOptions } from '@hudrik/core/contracts';
import type { Context } from '../context';
import { refuse } from '../refusal';
import { isPin, toPerson } from './people';
import { readSettings } from './settings';

export const SESSION_DAYS = 14;
const DAY_MS = 86_400_000;

const tokenHash = (token: string): Buffer => createHash('sha256').update(token).digest();

/** Signs in and gives the session's token: only its hash is kept. */
export async function signIn(
  { db, now }: Pick<Context, 'db' | 'now'>,
  personId: number,
  pin: string,
): Promise<{ token: string; person: Person }> {
  const row = await db.selectFrom('person').selectAll().where('id', '=', personId).executeTakeFirst();
  if (row === undefined || row.left_at !== null || !(await isPin(row.pin_hash, pin))) return refuse('wrong-pin');
  const token = randomBytes(32).toString('base64url');
  const expiresAt = new Date(now().getTime() + SESSION_DAYS * DAY_MS);
  await db
    .insertInto('session')
    .values({ token_hash: tokenHash(token), person_id: row.id, expires_at: expiresAt })
    .execute();
  return { token, person: toPerson(row) };
}

export async function personOfToken({ db, now }: Pick<Context, 'db' | 'now'>, token: string): Promise<Person | null> {
  const row = await db
    .selectFrom('session as s')
    .innerJoin('person as p', 'p.id', 's.person_id')
    .select(['p.id', 'p.name', 'p.role', 'p.preferences'])
    .where('s.token_hash', '=', tokenHash(token))
    .where('s.expires_at', '>', now())
    .executeTakeFirst();
  return row ? toPerson(row) : null;
}

export async function signOut({ db }: Pick<Context, 'db'>, token: string): Promise<void> {
  await db.deleteFrom('session').where('token_hash', '=', tokenHash(token)).execute();
}

/** What the sign-in screen shows: names to tap, and in the demo their PINs. */
export async function readSignInOptions({ db }: Pick<Context, 'db'>, demo: boolean): Promise<SignInOptions> {
  const rows = await db
    .selectFrom('person')
    .select(['id', 'name', 'role', 'demo_pin'])
    .where('left_at', 'is', null)
    .orderBy('id')
    .limit(40)
    .execute();
  return {
    yard: (await readSettings(db)).yard,
    demo,
    wantsFirstLead: rows.length === 0,
    people: rows.map((row) => ({
      id: row.id,
      name: row.name,
      role: row.role,
      ...(demo && row.demo_pin ? { demoPin: row.demo_pin } : {}),
    })),
  };
}
