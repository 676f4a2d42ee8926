import type { Person, SignInOptions } from '@hudrik/core/contracts';
import { PIN_LENGTH } from '@hudrik/core/people';
import { AHEAD_SECONDS } from '../background/regular';
import type { Context } from '../context';
import { refusal, type Refusal } from '../refusal';
import { sessionsEnded, type Device } from './devices';
import { toPerson, USUAL_UNITS } from './people';
import { tryPin } from './pinTries';
import { freshSecret, hashOf } from './secrets';
import { readSettings } from './settings';

export const SESSION_DAYS = 14;
const DAY_MS = 86_400_000;

/** When a sign-in of now ends at the latest: one that ends later was made by a clock that ran ahead, and is none. */
export const latestEnd = (now: Date): Date => new Date(now.getTime() + SESSION_DAYS * DAY_MS + AHEAD_SECONDS * 1000);

type Asking = Pick<Context, 'db' | 'now'>;

const isShort = (pin: string): boolean => pin.length < PIN_LENGTH.value;

interface SigningIn {
  readonly personId: number;
  readonly pin: string;
  readonly device: Device;
}

/** Signs in on a device that was let in, and gives the session's token: only its hash is kept. */
export async function signIn(
  { db, now }: Asking,
  { personId, pin, device }: SigningIn,
): Promise<{ readonly token: string; readonly person: Person } | Refusal> {
  const row = await db
    .selectFrom('person')
    .selectAll()
    .select(USUAL_UNITS)
    .where('id', '=', personId)
    .executeTakeFirst();
  if (row === undefined || row.left_at !== null) return refusal('wrong-pin');
  const wrong = await tryPin({ db, now }, row, device, pin);
  if (wrong !== null) return wrong;
  // Of PINs of older versions nobody knows how long they are until they are typed.
  if (row.pin_is_short === null)
    await db
      .updateTable('person')
      .set({ pin_is_short: isShort(pin) })
      .where('id', '=', row.id)
      .execute();
  const token = freshSecret();
  const expiresAt = new Date(now().getTime() + SESSION_DAYS * DAY_MS);
  await db
    .insertInto('session')
    .values({
      token_hash: hashOf(token),
      ...{ person_id: row.id, device_id: device.id, created_at: now(), seen_at: now(), expires_at: expiresAt },
    })
    .execute();
  return { token, person: toPerson(row) };
}

/** Who has this token, on this device. */
export async function personOfToken({ db, now }: Asking, token: string, deviceId: number): Promise<Person | null> {
  const row = await db
    .selectFrom('session as s')
    .innerJoin('person as p', 'p.id', 's.person_id')
    .select(['p.id', 'p.name', 'p.role', 'p.preferences', USUAL_UNITS])
    .where('s.token_hash', '=', hashOf(token))
    .where('s.device_id', '=', deviceId)
    .where('s.expires_at', '>', now())
    .where('s.expires_at', '<=', latestEnd(now()))
    .executeTakeFirst();
  return row === undefined ? null : toPerson(row);
}

export async function signOut({ db }: Pick<Context, 'db'>, token: string): Promise<void> {
  await db.deleteFrom('session').where('token_hash', '=', hashOf(token)).execute();
  await sessionsEnded(db);
}

/** What the sign-in screen shows: names to tap, and in the demo their PINs. A device that was not let in sees nobody's name. */
export async function readSignInOptions(
  { db }: Pick<Context, 'db'>,
  demo: boolean,
  isLetIn: boolean,
): Promise<SignInOptions> {
  const rows = await db
    .selectFrom('person')
    .select(['id', 'name', 'role', 'demo_pin'])
    .where('left_at', 'is', null)
    .orderBy('id')
    .limit(40)
    .execute();
  return {
    yard: isLetIn ? (await readSettings(db)).yard : '',
    ...{ demo, isLetIn },
    wantsFirstLead: rows.length === 0,
    people: (isLetIn ? rows : []).map((row) => ({
      id: row.id,
      name: row.name,
      role: row.role,
      ...(demo && row.demo_pin ? { demoPin: row.demo_pin } : {}),
    })),
  };
}
