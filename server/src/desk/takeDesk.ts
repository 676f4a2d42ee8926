import type { DeskReply } from '@hudrik/core/contracts';
import { notifyChange } from '../background/notify';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { changeHire } from '../hires/changeHire';
import { mustBeLong } from '../hires/hireRules';
import { bookHire, cancelHire } from '../hires/hires';
import { Refusal } from '../refusal';
import type { Feed } from '../outside/feed';
import { readCalendarText, type DeskHire } from './readCalendarText';

type Asking = Pick<Context, 'db' | 'now'>;

/** Takes in what the desk's calendar says now. What cannot be read leaves everything as it was, and is told. */
export async function takeDesk(context: Asking, desk: Feed): Promise<DeskReply> {
  const answer = await desk.read();
  const read = answer.ok ? readCalendarText(answer.text) : answer;
  if (!read.ok) {
    await context.db.updateTable('desk_state').set({ problem: read.problem }).execute();
    return readDesk(context.db);
  }
  for (const hire of read.hires) await noteEvent(context, hire.uid, await takeHire(context, hire));
  for (const { uid, problem } of read.problems) await noteEvent(context, uid, { problem });
  await tellVanished(context, new Set([...read.hires, ...read.problems].map(({ uid }) => uid)));
  await context.db.updateTable('desk_state').set({ answered_at: context.now(), problem: null }).execute();
  await notifyChange(context.db, { what: 'hires', id: 'desk' });
  return readDesk(context.db);
}

interface Taken {
  readonly hireId?: number;
  readonly problem?: string;
}

/** One hire of the desk: booked, changed or cancelled here as it is there. What is refused here is told, and tried again next time. */
async function takeHire(context: Asking, hire: DeskHire): Promise<Taken> {
  const known = await context.db
    .selectFrom('desk_event')
    .select('hire_id')
    .where('uid', '=', hire.uid)
    .executeTakeFirst();
  try {
    if (known?.hire_id == null) return hire.isCancelled ? {} : await book(context, hire);
    await bringUpToDate(context, known.hire_id, hire);
    return { hireId: known.hire_id };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { ...(known?.hire_id == null ? {} : { hireId: known.hire_id }), problem: error.code };
  }
}

async function book(context: Asking, hire: DeskHire): Promise<Taken> {
  const { classId, tag, fromAt, toAt, hirer } = hire;
  const reference = referenceOf(hire);
  if (Date.parse(toAt) < context.now().getTime()) return {};
  mustBeLong({ from: new Date(fromAt), to: new Date(toAt) });
  await bookHire(context, null, { reference, classId, tag, fromAt, toAt, hirer });
  const row = await context.db
    .selectFrom('hire')
    .select('id')
    .where('reference', '=', reference)
    .executeTakeFirstOrThrow();
  return { hireId: row.id };
}

/** The desk's own name of a hire, as far as it fits. */
const referenceOf = ({ uid }: DeskHire): string => (uid.split('@')[0] ?? uid).slice(0, 40);

async function bringUpToDate(
  context: Asking,
  hireId: number,
  { isCancelled, fromAt, toAt, tag }: DeskHire,
): Promise<void> {
  const row = await context.db
    .selectFrom('hire as h')
    .leftJoin('unit as u', 'u.id', 'h.unit_id')
    .select(['h.reference', 'h.state', 'h.from_at', 'h.to_at', 'u.tag'])
    .where('h.id', '=', hireId)
    .executeTakeFirstOrThrow();
  // What is out, back or over is the yard's.
  if (row.state !== 'booked') return;
  if (isCancelled) return void (await cancelHire(context, null, row.reference));
  const change = {
    ...(row.from_at.toISOString() === fromAt ? {} : { fromAt }),
    ...(row.to_at.toISOString() === toAt ? {} : { toAt }),
    // Without a unit in its list the desk leaves it to the yard which one goes.
    ...(tag === null || tag === row.tag ? {} : { tag }),
  };
  if (Object.keys(change).length > 0) await changeHire(context, null, row.reference, change);
}

async function noteEvent({ db, now }: Asking, uid: string, { hireId, problem }: Taken): Promise<void> {
  const row = { hire_id: hireId ?? null, seen_at: now(), problem: problem ?? null };
  await db
    .insertInto('desk_event')
    .values({ uid, ...row })
    .onConflict((conflict) => conflict.column('uid').doUpdateSet(row))
    .execute();
}

/** A hire that is in the list no more is not off for that: somebody is told, and decides. */
async function tellVanished({ db }: Asking, there: ReadonlySet<string>): Promise<void> {
  const rows = await db
    .selectFrom('desk_event as e')
    .innerJoin('hire as h', 'h.id', 'e.hire_id')
    .select('e.uid')
    .where('h.state', '=', 'booked')
    .execute();
  for (const { uid } of rows.filter((row) => !there.has(row.uid)))
    await db.updateTable('desk_event').set({ problem: 'vanished' }).where('uid', '=', uid).execute();
}

/** How it stands with the desk: when it answered last, what is wrong since, and what of its list was not taken. */
export async function readDesk(db: Db): Promise<DeskReply> {
  const state = await db.selectFrom('desk_state').select(['answered_at', 'problem']).executeTakeFirstOrThrow();
  const events = await db
    .selectFrom('desk_event as e')
    .leftJoin('hire as h', 'h.id', 'e.hire_id')
    .select(['e.uid', 'e.problem', 'h.reference'])
    .orderBy('e.uid')
    .execute();
  return {
    answeredAt: state.answered_at?.toISOString() ?? null,
    problem: state.problem,
    hires: events.filter(({ reference }) => reference !== null).length,
    notTaken: events.flatMap(({ uid, problem, reference }) => (problem === null ? [] : [{ uid, problem, reference }])),
  };
}
