import { CLASS_IDS, type ClassId } from '@hudrik/core/catalogue';
import type { DeskReply } from '@hudrik/core/contracts';
import { HIRES_PROMISED } from '@hudrik/core/states';
import { notifyChange } from '../background/notify';
import type { Context } from '../context';
import type { DeskRefusal } from '../database/benchTables';
import type { Db } from '../database/tables';
import { isDataError } from '../database/isDataError';
import { changeHire } from '../hires/changeHire';
import { mustBeLong } from '../hires/hireRules';
import { bookHire, cancelHire } from '../hires/hires';
import { refuse, Refusal } from '../refusal';
import type { Feed } from '../outside/feed';
import { readSettings } from '../people/settings';
import { heldBackOf, usualAtOnce } from './burst';
import { readDesk } from './readDesk';
import type { DeskHire } from './readCalendarText';

type Asking = Pick<Context, 'db' | 'now' | 'readers'>;

/** Takes in what the desk's calendar says now. What cannot be read leaves everything as it was, and is told. */
export async function takeDesk(context: Asking, desk: Feed): Promise<DeskReply> {
  const { db, now } = context;
  const answer = await desk.read();
  const { timeZone } = await readSettings(db);
  const read = answer.ok ? await context.readers.calendar(answer.body, { timeZone, at: now() }) : answer;
  if (!read.ok) {
    await db.updateTable('desk_state').set({ problem: read.problem }).execute();
    return readDesk(db);
  }
  const known = await knownEvents(db);
  const { taken, bursts } = await withoutBursts(context, read.hires, known);
  const refused: DeskRefusal[] = [...read.problems];
  for (const hire of taken) {
    const problem = await takeHire(context, hire, known.get(hire.uid));
    if (problem !== null) refused.push({ line: hire.line, uid: hire.uid, problem });
  }
  // An entry that cannot be told from others may be any of those that are missing.
  const isWhole = read.problems.every(({ uid }) => uid !== null);
  const there = new Set([...read.hires, ...read.problems].map(({ uid }) => uid));
  const gone = isWhole ? [...known.values()].filter(({ uid, state }) => state === 'booked' && !there.has(uid)) : [];
  refused.push(...gone.map(({ uid }) => ({ line: null, uid, problem: 'vanished' })));
  await db
    .updateTable('desk_state')
    .set({
      ...{ answered_at: now(), problem: null, refused: refused.length },
      not_taken: JSON.stringify(refused.slice(0, MOST_SHOWN)),
      bursts: JSON.stringify(bursts),
    })
    .execute();
  await notifyChange(db, { what: 'hires', id: 'desk' });
  return readDesk(db);
}

/** Of what was not taken so many are kept, to be looked at; the rest are counted. */
const MOST_SHOWN = 200;

/** What is kept of an entry that was taken before, and of its hire. */
type Known = Awaited<ReturnType<typeof knownEvents>> extends Map<string, infer K> ? K : never;

async function knownEvents(db: Db) {
  const rows = await db
    .selectFrom('desk_event as e')
    .innerJoin('hire as h', 'h.id', 'e.hire_id')
    .leftJoin('unit as u', 'u.id', 'h.unit_id')
    .select(['e.uid', 'e.is_yards_time', 'h.reference', 'h.state', 'h.from_at', 'h.to_at', 'h.class_id', 'u.tag'])
    .execute();
  return new Map(rows.map((row) => [row.uid, row]));
}

/** What the list says of a hire otherwise than it is here; null: nothing. */
function changeOf(
  { fromAt, toAt, tag }: DeskHire,
  known: Known,
): { fromAt?: string; toAt?: string; tag?: string } | null {
  const change = {
    ...(known.from_at.toISOString() === fromAt ? {} : { fromAt }),
    ...(known.to_at.toISOString() === toAt ? {} : { toAt }),
    // Without a unit in its list the desk leaves it to the yard which one goes.
    ...(tag === null || tag === known.tag ? {} : { tag }),
  };
  return Object.keys(change).length === 0 ? null : change;
}

/** A list that says at once that far more of a class are away than there are units is asked about before it is believed. */
async function withoutBursts(
  { db, now }: Asking,
  hires: readonly DeskHire[],
  known: ReadonlyMap<string, Known>,
): Promise<{ readonly taken: DeskHire[]; readonly bursts: DeskReply['bursts'][number][] }> {
  const isFresh = (hire: DeskHire): boolean => {
    const before = known.get(hire.uid);
    if (hire.isCancelled || Date.parse(hire.toAt) < now().getTime()) return false;
    return before === undefined || (before.state === 'booked' && changeOf(hire, before) !== null);
  };
  const fresh = hires.filter(isFresh);
  const moved = new Set(fresh.map(({ uid }) => known.get(uid)?.reference));
  const allowed = new Map(
    (await db.selectFrom('desk_allowance').selectAll().execute()).map((row) => [row.class_id, row.at_once]),
  );
  const held = new Set<DeskHire>();
  const bursts: DeskReply['bursts'][number][] = [];
  for (const classId of CLASS_IDS.filter((id) => fresh.some((hire) => hire.classId === id))) {
    const booked = (await promisedOf(db, classId)).filter(({ reference }) => !moved.has(reference));
    const units = await unitsOf(db, classId);
    const of = fresh.filter((hire) => hire.classId === classId);
    const found = heldBackOf(booked, of, Math.max(usualAtOnce(units), allowed.get(classId) ?? 0));
    for (const hire of found.held) held.add(hire);
    if (found.busiest) bursts.push({ classId, units, count: found.held.length, ...found.busiest });
  }
  return { taken: hires.filter((hire) => !held.has(hire)), bursts };
}

const promisedOf = async (db: Db, classId: ClassId) =>
  (
    await db
      .selectFrom('hire')
      .select(['reference', 'from_at', 'to_at'])
      .where('class_id', '=', classId)
      .where('state', 'in', HIRES_PROMISED)
      .execute()
  ).map(({ reference, from_at, to_at }) => ({
    ...{ reference, fromAt: from_at.toISOString() },
    toAt: to_at.toISOString(),
  }));

async function unitsOf(db: Db, classId: ClassId): Promise<number> {
  const { count } = await db
    .selectFrom('unit')
    .select((eb) => eb.fn.countAll<number>().as('count'))
    .where('class_id', '=', classId)
    .where('gone_at', 'is', null)
    .executeTakeFirstOrThrow();
  return Number(count);
}

/** One hire of the desk: booked, changed or cancelled here as it is there. Out: why not; it is tried again next time. */
async function takeHire(context: Asking, hire: DeskHire, known: Known | undefined): Promise<string | null> {
  try {
    if (known !== undefined) await bringUpToDate(context, hire, known);
    else if (!hire.isCancelled) await book(context, hire);
    return null;
  } catch (error) {
    if (error instanceof Refusal) return error.code;
    if (isDataError(error)) return 'unreadable';
    throw error;
  }
}

async function book(context: Asking, hire: DeskHire): Promise<void> {
  const { classId, tag, fromAt, toAt, hirer, uid, isYardsTime } = hire;
  const reference = referenceOf(hire);
  if (Date.parse(toAt) < context.now().getTime()) return;
  mustBeLong({ from: new Date(fromAt), to: new Date(toAt) });
  await bookHire(context, null, { reference, classId, tag, fromAt, toAt, hirer });
  const row = await context.db
    .selectFrom('hire')
    .select('id')
    .where('reference', '=', reference)
    .executeTakeFirstOrThrow();
  const event = { hire_id: row.id, is_yards_time: isYardsTime };
  await context.db
    .insertInto('desk_event')
    .values({ uid, ...event })
    .onConflict((conflict) => conflict.column('uid').doUpdateSet(event))
    .execute();
}

/** The desk's own name of a hire, as far as it fits. */
const referenceOf = ({ uid }: DeskHire): string => (uid.split('@')[0] ?? uid).slice(0, 40);

async function bringUpToDate(context: Asking, hire: DeskHire, known: Known): Promise<void> {
  // What is out, back or over is the yard's.
  if (known.state !== 'booked') return;
  if (known.class_id !== hire.classId) refuse('not-valid', { field: 'classId', wants: known.class_id });
  if (known.is_yards_time !== hire.isYardsTime)
    await context.db
      .updateTable('desk_event')
      .set({ is_yards_time: hire.isYardsTime })
      .where('uid', '=', hire.uid)
      .execute();
  if (hire.isCancelled) return void (await cancelHire(context, null, known.reference));
  const change = changeOf(hire, known);
  if (change !== null) await changeHire(context, null, known.reference, change);
}
