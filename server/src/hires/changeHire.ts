import type { HireCalendar } from '@hudrik/core/contracts';
import { notifyChange } from '../background/notify';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { HireRow, Trx, UnitRow } from '../database/tables';
import { closeUndone } from '../defects/settle';
import { unitByTag } from '../fleet/units';
import { changeUnit } from '../log/changeUnit';
import { refuse } from '../refusal';
import { readCalendar } from './calendar';
import { isPromised, mustBeLong, mustNotBePast, type Span } from './hireRules';

interface HireChange {
  readonly tag?: string | null | undefined;
  readonly fromAt?: string | undefined;
  readonly toAt?: string | undefined;
}

/** A booked hire goes with another unit, any of its class, or at another time. Not into the past, nor over another hire of that unit. */
export async function changeHire(
  context: Pick<Context, 'db' | 'now'>,
  actor: Actor | null,
  reference: string,
  change: HireChange,
): Promise<HireCalendar> {
  await inTransaction(context.db, async (trx) => {
    const inside = { ...context, db: trx };
    const seen = await hireByReference(trx, reference);
    const unit = await unitWanted(trx, seen, change);
    const touched = [...new Set([seen.unit_id, unit?.id ?? null])].filter((id) => id !== null).sort((a, b) => a - b);
    // Units first and the smaller id first, as everybody locks: two changes never wait for each other.
    if (touched.length > 0)
      await trx.selectFrom('unit').select('id').where('id', 'in', touched).orderBy('id').forUpdate().execute();
    const hire = await lockBooked(trx, seen);
    const next = nextOf(hire, change, context.now());
    if (unit && (await isPromised(trx, unit.id, next, hire.id))) refuse('hire-overlaps', { tag: unit.tag });
    await trx
      .updateTable('hire')
      .set({ unit_id: unit?.id ?? null, from_at: next.from, to_at: next.to })
      .where('id', '=', hire.id)
      .execute();
    const facts = { reference, tag: unit?.tag ?? null, fromAt: next.from.toISOString(), toAt: next.to.toISOString() };
    for (const id of touched)
      await changeUnit(inside, actor, { id }, async ({ at, append }) => {
        const entry = await append({ kind: 'hire-changed', facts });
        await closeUndone(trx, { unitId: id, entryId: entry.id, at });
      });
    await notifyChange(trx, { what: 'hires', id: reference });
  });
  return readCalendar(context);
}

async function hireByReference(trx: Trx, reference: string): Promise<HireRow> {
  const hire = await trx.selectFrom('hire').selectAll().where('reference', '=', reference).executeTakeFirst();
  return hire ?? refuse('not-found', { reference });
}

/** The hire as it is under its lock; it must be booked still, and of the unit that it was seen with. */
async function lockBooked(trx: Trx, seen: HireRow): Promise<HireRow> {
  const hire = await trx.selectFrom('hire').selectAll().where('id', '=', seen.id).forUpdate().executeTakeFirstOrThrow();
  if (hire.state !== 'booked') return refuse('already-out', { reference: hire.reference, state: hire.state });
  return hire.unit_id === seen.unit_id ? hire : refuse('changed-meanwhile', { reference: hire.reference });
}

function nextOf(hire: HireRow, change: HireChange, now: Date): Span {
  const from = change.fromAt === undefined ? hire.from_at : new Date(change.fromAt);
  const to = change.toAt === undefined ? hire.to_at : new Date(change.toAt);
  // One that should have begun already may stay where it is.
  if (from < hire.from_at) mustNotBePast({ from, to }, now);
  mustBeLong({ from, to });
  return { from, to };
}

async function unitWanted(trx: Trx, hire: HireRow, { tag }: HireChange): Promise<UnitRow | null> {
  if (tag === null) return null;
  const unit =
    tag === undefined
      ? await trx
          .selectFrom('unit')
          .selectAll()
          .where('id', '=', hire.unit_id ?? 0)
          .executeTakeFirst()
      : await unitByTag(trx, tag);
  if (unit === undefined) return null;
  if (unit.class_id !== hire.class_id) refuse('not-valid', { field: 'tag', wants: hire.class_id });
  if (unit.gone_at) refuse('not-ready', { readiness: 'gone' });
  return unit;
}
