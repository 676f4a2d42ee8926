import type { Access, Person } from '@hudrik/core/contracts';
import { sql } from 'kysely';
import type { Actor, Context } from '../context';
import { refuse, type Refusal } from '../refusal';
import { sessionsEnded, type Device } from './devices';
import { mustBeHard } from './mustBeHard';
import { hashPin, toPerson, USUAL_UNITS } from './people';
import { tryPin } from './pinTries';
import { hashOf } from './secrets';
import { latestEnd } from './sessions';

const TOLD_FOR_MS = 30 * 86_400_000;

type Asking = Pick<Context, 'db' | 'now'>;

interface Who {
  readonly actor: Actor;
  readonly token: string;
  readonly device: Device;
}

/** Where one is signed in, and wrong PINs; for a lead of everybody, with the devices. */
export async function readAccess({ db, now }: Asking, { actor, token, device }: Who): Promise<Access> {
  const isLead = actor.role === 'lead';
  const [sessions, devices, wrong, own] = await Promise.all([
    db
      .selectFrom('session as s')
      .innerJoin('person as p', 'p.id', 's.person_id')
      .innerJoin('device as d', 'd.id', 's.device_id')
      .select(['s.id', 's.token_hash', 's.created_at', 's.seen_at', 'p.id as personId', 'p.name as person'])
      .select(['d.name as device', 'd.id as deviceId'])
      .where('s.expires_at', '>', now())
      .where('s.expires_at', '<=', latestEnd(now()))
      .$if(!isLead, (query) => query.where('p.id', '=', actor.id))
      .orderBy('s.seen_at', 'desc')
      .limit(500)
      .execute(),
    db
      .selectFrom('device as d')
      .leftJoin('person as p', 'p.id', 'd.let_in_by')
      .select(['d.id', 'd.name', 'd.let_in_at', 'd.seen_at', 'p.name as by'])
      .where('d.put_out_at', 'is', null)
      .orderBy('d.seen_at', 'desc')
      .limit(isLead ? 500 : 0)
      .execute(),
    db
      .selectFrom('wrong_pin as w')
      .innerJoin('person as p', 'p.id', 'w.person_id')
      .innerJoin('device as d', 'd.id', 'w.device_id')
      .select(['p.id as personId', 'p.name as person', 'd.name as device'])
      .select(sql<number>`count(*)::int`.as('count'))
      .select(sql<Date>`max(w.at)`.as('lastAt'))
      .select(sql<boolean>`bool_or(w.told_at is null)`.as('isNew'))
      .where('w.at', '>', new Date(now().getTime() - TOLD_FOR_MS))
      .$if(!isLead, (query) => query.where('p.id', '=', actor.id))
      .groupBy(['p.id', 'p.name', 'd.id', 'd.name'])
      .orderBy('lastAt', 'desc')
      .limit(200)
      .execute(),
    db.selectFrom('person').select(['pin_is_short', 'demo_pin']).where('id', '=', actor.id).executeTakeFirstOrThrow(),
  ]);
  return {
    device: device.id,
    isPinShort: own.pin_is_short === true && own.demo_pin === null,
    sessions: sessions.map((row) => ({
      ...{ id: row.id, personId: row.personId, person: row.person, device: row.device },
      ...{ beganAt: row.created_at.toISOString(), seenAt: row.seen_at.toISOString() },
      isThis: row.token_hash.equals(hashOf(token)),
    })),
    devices: devices.map((row) => ({
      ...{ id: row.id, name: row.name, letInBy: row.by },
      ...{ letInAt: row.let_in_at.toISOString(), seenAt: row.seen_at.toISOString() },
      signedIn: sessions.filter(({ deviceId }) => deviceId === row.id).length,
    })),
    wrongPins: wrong.map(({ lastAt, ...row }) => ({ ...row, lastAt: lastAt.toISOString() })),
  };
}

/** Ends a session: one's own, or as a lead anybody's. */
export async function endSession({ db }: Asking, actor: Actor, id: number): Promise<void> {
  const row = await db.selectFrom('session').select('person_id').where('id', '=', id).executeTakeFirst();
  // Of somebody else's nobody but a lead learns that it is there.
  if (row === undefined || (row.person_id !== actor.id && actor.role !== 'lead')) return refuse('not-found', { id });
  await db.deleteFrom('session').where('id', '=', id).execute();
  await sessionsEnded(db);
}

/** A new PIN of one's own: signs out everywhere but here. */
export async function changeOwnPin(
  { db, now }: Asking,
  { actor, token, device }: Who,
  { old, fresh }: { readonly old: string; readonly fresh: string },
): Promise<Person | Refusal> {
  const row = await db
    .selectFrom('person')
    .selectAll()
    .select(USUAL_UNITS)
    .where('id', '=', actor.id)
    .executeTakeFirstOrThrow();
  const wrong = await tryPin({ db, now }, row, device, old);
  if (wrong !== null) return wrong;
  mustBeHard(fresh, row.name);
  await db
    .updateTable('person')
    .set({ pin_hash: await hashPin(fresh), pin_is_short: false, demo_pin: null })
    .where('id', '=', actor.id)
    .execute();
  await db.deleteFrom('session').where('person_id', '=', actor.id).where('token_hash', '!=', hashOf(token)).execute();
  await sessionsEnded(db);
  return toPerson(row);
}

/** Wrong PINs of one's own were seen. */
export async function wrongPinsSeen({ db, now }: Asking, actor: Actor): Promise<void> {
  await db
    .updateTable('wrong_pin')
    .set({ told_at: now() })
    .where('person_id', '=', actor.id)
    .where('told_at', 'is', null)
    .execute();
}
