import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import type { Door, Person, Role } from '@hudrik/core/contracts';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { refuse } from '../refusal';

export const SESSION_DAYS = 14;

const tokenHash = (token: string): Buffer => createHash('sha256').update(token).digest();

/** Argon2id with the package's defaults (19 MiB, 2 passes): OWASP's first choice for passwords. */
const hashPin = (pin: string): Promise<string> => hash(pin);

type PersonRow = { id: number; name: string; role: Role; preferences: Record<string, unknown> };

const toPerson = (row: PersonRow): Person => ({
  id: row.id,
  name: row.name,
  role: row.role,
  preferences: {
    units: row.preferences['units'] === 'metric' ? 'metric' : 'inch',
    theme: row.preferences['theme'] === 'dark' ? 'dark' : row.preferences['theme'] === 'light' ? 'light' : 'system',
  },
});

/** Signs in and gives the session's token: only its hash is kept. */
export async function signIn(
  { db, now }: Context,
  personId: number,
  pin: string,
): Promise<{ token: string; person: Person }> {
  const row = await db.selectFrom('person').selectAll().where('id', '=', personId).executeTakeFirst();
  if (row === undefined || row.left_at !== null || !(await verify(row.pin_hash, pin))) return refuse('wrong-pin');
  const token = randomBytes(32).toString('base64url');
  await db.deleteFrom('session').where('expires_at', '<', now()).execute();
  await db
    .insertInto('session')
    .values({
      token_hash: tokenHash(token),
      person_id: row.id,
      expires_at: new Date(now().getTime() + SESSION_DAYS * 86_400_000),
    })
    .execute();
  return { token, person: toPerson(row) };
}

export async function personOfToken({ db, now }: Context, token: string): Promise<Person | null> {
  const row = await db
    .selectFrom('session as s')
    .innerJoin('person as p', 'p.id', 's.person_id')
    .select(['p.id', 'p.name', 'p.role', 'p.preferences'])
    .where('s.token_hash', '=', tokenHash(token))
    .where('s.expires_at', '>', now())
    .executeTakeFirst();
  return row ? toPerson(row) : null;
}

export async function signOut({ db }: Context, token: string): Promise<void> {
  await db.deleteFrom('session').where('token_hash', '=', tokenHash(token)).execute();
}

/** What the sign-in screen shows: names to tap, and in the demo their PINs. */
export async function readSignInOptions({ db }: Pick<Context, 'db'>, demo: boolean): Promise<Door> {
  const rows = await db
    .selectFrom('person')
    .select(['id', 'name', 'role', 'demo_pin'])
    .where('left_at', 'is', null)
    .orderBy('id')
    .limit(40)
    .execute();
  return {
    yard: demo ? 'Ferry Landing Hire Yard' : 'Hire yard',
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

export async function addPerson(
  db: Db,
  fresh: { name: string; role: Role; pin: string; demoPin?: string },
): Promise<Person> {
  if (await db.selectFrom('person').select('id').where('name', '=', fresh.name).executeTakeFirst())
    refuse('already-there', { name: fresh.name });
  const row = await db
    .insertInto('person')
    .values({ name: fresh.name, role: fresh.role, pin_hash: await hashPin(fresh.pin), demo_pin: fresh.demoPin ?? null })
    .returningAll()
    .executeTakeFirstOrThrow();
  return toPerson(row);
}

export async function setPreferences(
  { db }: Context,
  personId: number,
  preferences: Person['preferences'],
): Promise<Person> {
  const row = await db
    .updateTable('person')
    .set({ preferences: JSON.stringify(preferences) })
    .where('id', '=', personId)
    .returningAll()
    .executeTakeFirstOrThrow();
  return toPerson(row);
}

export async function readPeople(
  db: Db,
): Promise<{ people: { id: number; name: string; role: Role; leftAt: string | null }[] }> {
  const rows = await db
    .selectFrom('person')
    .select(['id', 'name', 'role', 'left_at'])
    .orderBy('left_at', (order) => order.asc().nullsFirst())
    .orderBy('name')
    .execute();
  return {
    people: rows.map((row) => ({
      id: row.id,
      name: row.name,
      role: row.role,
      leftAt: row.left_at?.toISOString() ?? null,
    })),
  };
}

export interface PersonChange {
  readonly role?: Role | undefined;
  readonly pin?: string | undefined;
  readonly left?: boolean | undefined;
}

/** Changes a person. A new PIN and leaving sign them out everywhere. There is always a lead left. */
export async function changePerson({ db, now }: Context, personId: number, change: PersonChange) {
  const pinHash = change.pin === undefined ? undefined : await hashPin(change.pin);
  await db.transaction().execute(async (trx) => {
    // All leads are locked: two leads can not take each other's place away at once.
    const leads = await trx
      .selectFrom('person')
      .select('id')
      .where('role', '=', 'lead')
      .where('left_at', 'is', null)
      .orderBy('id')
      .forUpdate()
      .execute();
    const row = await trx.selectFrom('person').selectAll().where('id', '=', personId).forUpdate().executeTakeFirst();
    if (row === undefined) return refuse('not-found', { id: personId });
    const remainsLead = (change.role ?? row.role) === 'lead' && !(change.left ?? row.left_at !== null);
    if (!remainsLead && leads.every((lead) => lead.id === personId)) refuse('last-lead', { name: row.name });
    await trx
      .updateTable('person')
      .set({
        role: change.role ?? row.role,
        ...(pinHash === undefined ? {} : { pin_hash: pinHash, demo_pin: null }),
        ...(change.left === undefined ? {} : { left_at: change.left ? now() : null }),
      })
      .where('id', '=', personId)
      .execute();
    if (change.pin !== undefined || change.left)
      await trx.deleteFrom('session').where('person_id', '=', personId).execute();
  });
  return readPeople(db);
}
