import { SERVICE_ITEMS, type ClassId } from '@hudrik/core/catalogue';
import type { HireLine } from '@hudrik/core/contracts';
import { HIRE, HIRES_PROMISED } from '@hudrik/core/states';
import { notifyChange } from '../background/notify';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { HireRow, Trx, UnitRow } from '../database/tables';
import { changeUnit, type UnitChange } from '../log/changeUnit';
import type { Taker } from '../log/taking';
import { NEVER_LOOKED_AT } from '@hudrik/core/defects';
import { dangersAtGate } from '@hudrik/core/log';
import { openDefects } from '../defects/openDefects';
import { complaintsIn, openTold } from './toldDefects';
import { closeUndone } from '../defects/settle';
import { refuse } from '../refusal';
import { unitByTag } from '../fleet/units';
import { readServiceFacts } from '../service/serviceFacts';
import { itemsOf } from '../service/unitService';
import { readFree } from './free';
import { isPromised, mustBeLong, mustNotBePast, type Span } from './hireRules';
import { hireRows, toHireLine } from './hireLines';

const DAY_MS = 86_400_000;

export async function readHires(
  { db, now }: Pick<Context, 'db' | 'now'>,
  query: { from?: string | undefined; to?: string | undefined; tag?: string | undefined },
): Promise<{ hires: HireLine[] }> {
  const from = query.from ?? new Date(now().getTime() - 14 * DAY_MS).toISOString();
  const to = query.to ?? new Date(now().getTime() + 60 * DAY_MS).toISOString();
  const rows = await hireRows(db)
    .where('h.from_at', '<', new Date(to))
    .where('h.to_at', '>', new Date(from))
    .$if(query.tag !== undefined, (q) => q.where('hu.tag', '=', query.tag ?? ''))
    .orderBy('h.from_at')
    .limit(500)
    .execute();
  return { hires: rows.map(toHireLine) };
}

export interface NewHire {
  readonly reference: string;
  readonly classId: ClassId;
  readonly tag: string | null;
  readonly fromAt: string;
  readonly toAt: string;
  readonly hirer?: string;
  readonly phone?: string;
  readonly sure?: boolean;
}

/** Books a hire of a unit, or of any unit of a class. */
export async function bookHire(
  context: Pick<Context, 'db' | 'now'>,
  actor: Actor | null,
  fresh: NewHire,
): Promise<void> {
  if (fresh.tag !== null) return changeUnit(context, actor, { tag: fresh.tag }, (change) => bookUnit(change, fresh));
  return inTransaction(context.db, async (trx) => {
    await insertHire(trx, null, fresh);
    await notifyChange(trx, { what: 'hires', id: fresh.reference });
  });
}

async function bookUnit({ trx, unit, append }: UnitChange, fresh: NewHire): Promise<void> {
  if (unit.class_id !== fresh.classId) refuse('not-valid', { field: 'classId', wants: unit.class_id });
  if (unit.gone_at) refuse('not-ready', { readiness: 'gone' });
  await insertHire(trx, unit, fresh);
  const { reference, fromAt, toAt } = fresh;
  await append({ kind: 'hire-booked', facts: { reference, fromAt, toAt } });
}

const spanOf = ({ fromAt, toAt }: NewHire): Span => ({ from: new Date(fromAt), to: new Date(toAt) });

async function insertHire(trx: Trx, unit: UnitRow | null, fresh: NewHire): Promise<void> {
  if (await trx.selectFrom('hire').select('id').where('reference', '=', fresh.reference).executeTakeFirst())
    refuse('already-there', { reference: fresh.reference });
  if (unit && (await isPromised(trx, unit.id, spanOf(fresh)))) refuse('hire-overlaps', { tag: unit.tag });
  await trx
    .insertInto('hire')
    .values({
      reference: fresh.reference,
      class_id: fresh.classId,
      unit_id: unit?.id ?? null,
      from_at: fresh.fromAt,
      to_at: fresh.toAt,
      hirer: fresh.hirer ?? '',
      phone: fresh.phone ?? '',
    })
    .execute();
}

export async function addHire(context: Context, actor: Actor, fresh: NewHire): Promise<{ hires: HireLine[] }> {
  mustNotBePast(spanOf(fresh), context.now());
  mustBeLong(spanOf(fresh));
  if (fresh.sure !== true) await mustBeLikely(context, fresh);
  await bookHire(context, actor, fresh);
  return oneHire(context, fresh.reference);
}

/** Asked about: a unit that is not fit now, or whose service runs out meanwhile, and a class of which none is free then. */
async function mustBeLikely({ db, now }: Context, fresh: NewHire): Promise<void> {
  const { tag, classId, fromAt, toAt } = fresh;
  if (tag === null) {
    const free = await readFree(db, { class: classId, from: fromAt, to: toAt });
    if (free.units.length <= (await promisedOfClass(db, { classId, fromAt, toAt })))
      refuse('hire-doubtful', { why: 'none-free', classId });
    return;
  }
  const unit = await unitByTag(db, tag);
  const { readiness, because } = unit.readiness_verdict;
  if (readiness === 'held' || readiness === 'laid-up') refuse('hire-doubtful', { why: 'not-fit', readiness, because });
  const over = await runsOutOn(db, now(), unit.id, fresh);
  if (over.length > 0) refuse('hire-doubtful', { why: 'runs-out', because: over });
}

/** Items of its service that would run out during this hire, and that no job is there for. */
async function runsOutOn(db: Context['db'], at: Date, unitId: number, fresh: NewHire): Promise<string[]> {
  const [facts] = await readServiceFacts(db, at, unitId);
  if (facts === undefined) return [];
  const hire = { reference: fresh.reference, fromAt: new Date(fresh.fromAt), toAt: new Date(fresh.toAt) };
  const hires = [...facts.hires, hire].sort((a, b) => a.fromAt.getTime() - b.fromAt.getTime());
  return itemsOf({ ...facts, hires }, at)
    .filter(({ runsOutDuring, jobId }) => runsOutDuring === fresh.reference && jobId === null)
    .map(({ id }) => SERVICE_ITEMS.find((item) => item.id === id)?.name ?? id);
}

/** Hires of any unit of a class in that time. */
async function promisedOfClass(
  db: Context['db'],
  { classId, fromAt, toAt }: Pick<NewHire, 'classId' | 'fromAt' | 'toAt'>,
): Promise<number> {
  const { count } = await db
    .selectFrom('hire')
    .select((eb) => eb.fn.countAll<number>().as('count'))
    .where('class_id', '=', classId)
    .where('unit_id', 'is', null)
    .where('state', 'in', HIRES_PROMISED)
    .where('from_at', '<', new Date(toAt))
    .where('to_at', '>', new Date(fromAt))
    .executeTakeFirstOrThrow();
  return Number(count);
}

/**
 * A unit is back on the yard. Nobody has looked at it: it is held until somebody has. It is never turned away: what the hire was that is named, or
 * whether somebody has ended it, the unit stands there. A check-in made after the hand-out has answered it. What is told at the gate and is dangerous
 * counts from now on.
 */
export const takeBack: Taker<'hire-back'> = async ({
  change,
  id,
  at,
  timing,
  facts: { reference, atGate },
  record,
}) => {
  const { trx, unit } = change;
  const when = timing === 'known' ? at : change.at;
  const hire = await trx.selectFrom('hire').selectAll().where('reference', '=', reference).executeTakeFirst();
  const own = hire?.unit_id === unit.id ? hire : undefined;
  const dangers = atGate ? complaintsIn(unit, dangersAtGate(atGate)) : [];
  await record({});
  if (own?.state === 'out') await comeBack(trx, own, when, timing === 'known' ? at : null);
  // Two people may say so; and what was checked in since the hand-out has been looked at.
  else if (own?.state !== 'back' && own?.state !== 'ended')
    await openDefects(trx, { unitId: unit.id, entryId: id, at: when }, [NEVER_LOOKED_AT]);
  await openTold(trx, unit, dangers, { entryId: id, at });
};

/** Back, and to be looked at; where somebody checked it in after it was handed out, it is looked at. */
async function comeBack(trx: Trx, hire: HireRow, at: Date, seenAt: Date | null): Promise<void> {
  const outAt = hire.out_at ?? hire.from_at;
  const looked = await trx
    .selectFrom('check_in')
    .select('at')
    .where('unit_id', '=', hire.unit_id)
    .where('stands', '=', true)
    .where('began_at', '>=', outAt)
    .orderBy('at', 'desc')
    .limit(1)
    .executeTakeFirst();
  const backAt = seenAt !== null && seenAt > outAt ? at : new Date(Math.max(at.getTime(), outAt.getTime()));
  const next = looked ? ({ state: 'ended', ended_at: looked.at } as const) : ({ state: 'back' } as const);
  await trx
    .updateTable('hire')
    .set({ ...next, back_at: looked && looked.at < backAt ? looked.at : backAt })
    .where('id', '=', hire.id)
    .execute();
}

export async function cancelHire(
  context: Pick<Context, 'db' | 'now'>,
  actor: Actor | null,
  reference: string,
): Promise<{ hires: HireLine[] }> {
  const seen = await hireByReference(context.db, reference);
  if (seen.unit_id === null) await inTransaction(context.db, (trx) => cancel(trx, reference));
  else
    await changeUnit(context, actor, { id: seen.unit_id }, async ({ trx, unit, at, append }) => {
      if (!(await cancel(trx, reference))) return;
      const { id } = await append({ kind: 'hire-cancelled', facts: { reference } });
      await closeUndone(trx, { unitId: unit.id, entryId: id, at });
    });
  return oneHire(context, reference);
}

/** Out: whether it was still to be cancelled. */
async function cancel(trx: Trx, reference: string): Promise<boolean> {
  const hire = await hireByReference(trx, reference);
  if (hire.state === 'cancelled') return false;
  const next = HIRE.after(hire.state, 'cancel');
  if (!next.ok) return refuse('already-out', { reference, state: next.state });
  await trx.updateTable('hire').set({ state: next.state }).where('id', '=', hire.id).execute();
  return true;
}

async function hireByReference(db: Context['db'], reference: string): Promise<HireRow> {
  const row = await db.selectFrom('hire').selectAll().where('reference', '=', reference).executeTakeFirst();
  return row ?? refuse('not-found', { reference });
}

async function oneHire({ db }: Pick<Context, 'db'>, reference: string): Promise<{ hires: HireLine[] }> {
  return { hires: (await hireRows(db).where('h.reference', '=', reference).execute()).map(toHireLine) };
}
