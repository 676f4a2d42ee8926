import { hash, verify } from '@node-rs/argon2';
import { SKILL_IDS, type SkillId } from '@hudrik/core/catalogue';
import type { Person, Role } from '@hudrik/core/contracts';
import { sql } from 'kysely';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Db } from '../database/tables';
import { refuse } from '../refusal';
import { sessionsEnded } from './devices';
import { mustBeHard } from './mustBeHard';

/** Argon2id with the package's defaults (19 MiB, 2 passes): OWASP's first choice for passwords. */
export const hashPin = (pin: string): Promise<string> => hash(pin);
export const isPin = (pinHash: string, pin: string): Promise<boolean> => verify(pinHash, pin);

interface PersonRow {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  readonly preferences: Readonly<Record<string, unknown>>;
  /** What the yard measures in: whoever has not chosen does so too. */
  readonly usual_units: 'inch' | 'metric' | null;
}

export const USUAL_UNITS = sql<PersonRow['usual_units']>`(select usual_units from yard_settings)`.as('usual_units');

export const toPerson = ({ id, name, role, preferences, usual_units: usual }: PersonRow): Person => ({
  id,
  name,
  role,
  preferences: {
    units: (preferences['units'] ?? usual) === 'metric' ? 'metric' : 'inch',
    theme: preferences['theme'] === 'dark' || preferences['theme'] === 'light' ? preferences['theme'] : 'system',
  },
});

/** Somebody who has not left, as who does something. */
export async function personById(db: Db, id: number): Promise<Actor | undefined> {
  return db
    .selectFrom('person')
    .select(['id', 'name', 'role'])
    .where('id', '=', id)
    .where('left_at', 'is', null)
    .executeTakeFirst();
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
    .returning(USUAL_UNITS)
    .executeTakeFirstOrThrow();
  return toPerson(row);
}

export async function setPreferences(
  { db }: Pick<Context, 'db'>,
  personId: number,
  preferences: Person['preferences'],
): Promise<Person> {
  const row = await db
    .updateTable('person')
    .set({ preferences: JSON.stringify(preferences) })
    .where('id', '=', personId)
    .returningAll()
    .returning(USUAL_UNITS)
    .executeTakeFirstOrThrow();
  return toPerson(row);
}

export async function readPeople(
  db: Db,
): Promise<{ people: { id: number; name: string; role: Role; leftAt: string | null; skills: SkillId[] }[] }> {
  const rows = await db
    .selectFrom('person')
    .select(['id', 'name', 'role', 'left_at', 'skills'])
    .orderBy('left_at', (order) => order.asc().nullsFirst())
    .orderBy('name')
    .execute();
  return {
    people: rows.map((row) => ({
      id: row.id,
      name: row.name,
      role: row.role,
      leftAt: row.left_at?.toISOString() ?? null,
      skills: SKILL_IDS.filter((id) => row.skills.includes(id)),
    })),
  };
}

export interface PersonChange {
  readonly role?: Role | undefined;
  readonly pin?: string | undefined;
  readonly left?: boolean | undefined;
  readonly skills?: readonly SkillId[] | undefined;
}

/** Changes a person. A new PIN and leaving sign them out everywhere. There is always a lead left. */
export async function changePerson({ db, now }: Pick<Context, 'db' | 'now'>, personId: number, change: PersonChange) {
  const pinHash = change.pin === undefined ? undefined : await hashPin(change.pin);
  await inTransaction(db, async (trx) => {
    // All leads are locked: two leads cannot take each other's place away at once.
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
    if (change.pin !== undefined) mustBeHard(change.pin, row.name);
    const remainsLead = (change.role ?? row.role) === 'lead' && !(change.left ?? row.left_at !== null);
    if (!remainsLead && leads.every((lead) => lead.id === personId)) refuse('last-lead', { name: row.name });
    await trx
      .updateTable('person')
      .set({
        role: change.role ?? row.role,
        ...(change.skills === undefined ? {} : { skills: JSON.stringify(change.skills) }),
        ...(pinHash === undefined ? {} : { pin_hash: pinHash, demo_pin: null, pin_is_short: false }),
        ...(change.left === undefined ? {} : { left_at: change.left ? now() : null }),
      })
      .where('id', '=', personId)
      .execute();
    if (change.pin !== undefined || change.left)
      await trx.deleteFrom('session').where('person_id', '=', personId).execute();
    // Streams end with a role as with a session.
    await sessionsEnded(trx);
    return undefined;
  });
  return readPeople(db);
}
