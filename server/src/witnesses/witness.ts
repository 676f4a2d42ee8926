import { randomUUID } from 'node:crypto';
import { TZDate } from '@date-fns/tz';
import { startOfDay } from 'date-fns/startOfDay';
import { WORKS_ON_UNITS, type Role } from '@hudrik/core/contracts';
import type { Witnessed } from '@hudrik/core/log';
import type { Actor, Context } from '../context';
import type { Db, Trx } from '../database/tables';
import type { Device } from '../people/devices';
import { tryPin } from '../people/pinTries';
import { readSettings } from '../people/settings';
import { refuse, type Refusal } from '../refusal';
import { mustBeFresh } from './freshPhoto';

/** A second person's word is good for so long: they look, and it is entered. */
const GOOD_FOR_MS = 30 * 60_000;

/**
 * Somebody else says, by their PIN on this device, that they have looked too. Their word is good for one thing, and for half an hour. A wrong PIN
 * waits like any other.
 */
export async function makeWitness(
  { db, now }: Pick<Context, 'db' | 'now'>,
  actor: Actor,
  device: Device,
  { personId, pin }: { readonly personId: number; readonly pin: string },
): Promise<{ readonly witnessId: string; readonly name: string } | Refusal> {
  if (personId === actor.id) return refuse('own-word', { by: actor.name });
  const person = await db.selectFrom('person').selectAll().where('id', '=', personId).executeTakeFirst();
  if (person === undefined || person.left_at !== null) return refuse('not-found', { person: personId });
  if (!WORKS_ON_UNITS.includes(person.role))
    return refuse('not-your-role', { role: person.role, wants: WORKS_ON_UNITS });
  const wrong = await tryPin({ db, now }, person, device, pin);
  if (wrong !== null) return wrong;
  const id = randomUUID();
  await db
    .insertInto('witness')
    .values({ id, person_id: person.id, asked_by: actor.id, at: now(), used_by: null })
    .execute();
  return { witnessId: id, name: person.name };
}

/** What an entry says of its second person. */
interface Saying {
  readonly witnessId?: string | undefined;
  readonly alone?: { readonly why: string; readonly photoId: string | null } | undefined;
}

interface Rule {
  readonly why: 'seen-twice' | 'danger' | 'not-fitted' | 'figure';
  /** What it is about, in words. */
  readonly sentence: string;
  /** Who may be the second. */
  readonly who: readonly Role[];
  /** Something can be seen of it: alone, a photo shows it. */
  readonly photo: boolean;
}

interface Asking {
  readonly trx: Trx;
  readonly actor: Actor;
  readonly entryId: string;
  readonly at: Date;
}

/**
 * The second person that a rule asks for: by their word, or, where nobody who may is here today, nobody: with a reason, and a photo where something
 * can be seen. Refused while somebody could be asked. Out: what is kept with the entry.
 */
export async function secondPerson(asking: Asking, said: Saying, rule: Rule): Promise<Witnessed> {
  if (said.witnessId !== undefined) return { second: await takeWord(asking, said.witnessId, rule.who) };
  if (said.alone === undefined) return refuse('second-wanted', { why: rule.why, sentence: rule.sentence });
  const { trx, actor, at } = asking;
  const names = await othersToday(trx, actor, rule.who, at);
  if (names.length > 0) return refuse('second-present', { names });
  if (rule.photo || said.alone.photoId !== null) await mustBeFresh(trx, said.alone.photoId, at);
  return { alone: true };
}

/** Whether an entry says anything of a second person: then a rule that wants one asks for it. */
export const saysSecond = ({ witnessId, alone }: Saying): boolean => witnessId !== undefined || alone !== undefined;

async function takeWord(
  { trx, actor, entryId, at }: Asking,
  witnessId: string,
  who: readonly Role[],
): Promise<{ readonly id: number; readonly name: string }> {
  const word = await trx
    .selectFrom('witness as w')
    .innerJoin('person as p', 'p.id', 'w.person_id')
    .select(['w.asked_by', 'w.at', 'w.used_by', 'p.id', 'p.name', 'p.role'])
    .where('w.id', '=', witnessId)
    .forUpdate('w')
    .executeTakeFirst();
  const isGood =
    word !== undefined &&
    word.used_by === null &&
    word.asked_by === actor.id &&
    at.getTime() - word.at.getTime() <= GOOD_FOR_MS;
  if (!isGood) return refuse('no-such-witness');
  if (!who.includes(word.role)) return refuse('not-your-role', { role: word.role, wants: who });
  await trx.updateTable('witness').set({ used_by: entryId }).where('id', '=', witnessId).execute();
  return { id: word.id, name: word.name };
}

/** Who else was seen here today and may. */
async function othersToday(db: Db, actor: Actor, who: readonly Role[], at: Date): Promise<string[]> {
  const { timeZone } = await readSettings(db);
  const since = startOfDay(new TZDate(at.getTime(), timeZone));
  const rows = await db
    .selectFrom('person as p')
    .select('p.name')
    .where('p.id', '<>', actor.id)
    .where('p.left_at', 'is', null)
    .where('p.role', 'in', [...who])
    .where((eb) =>
      eb.exists(
        eb
          .selectFrom('session as s')
          .select('s.id')
          .whereRef('s.person_id', '=', 'p.id')
          .where('s.seen_at', '>=', new Date(since.getTime())),
      ),
    )
    .orderBy('p.name')
    .execute();
  return rows.map(({ name }) => name);
}
