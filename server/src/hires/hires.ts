import type { HireLine } from '@hudrik/core/contracts';
import type { Actor, Context } from '../context';
import type { Trx } from '../database/tables';
import { record } from '../fleet/history';
import { refreshReadiness } from '../fleet/refreshReadiness';
import { lockUnit, lockUnitById } from '../fleet/units';
import { refuse } from '../refusal';
import { hireRows, toHireLine } from './hireLines';

export async function readHires(
  { db, now }: Context,
  query: { from?: string | undefined; to?: string | undefined; tag?: string | undefined },
): Promise<{ hires: HireLine[] }> {
  const from = query.from ?? new Date(now().getTime() - 14 * 86_400_000).toISOString();
  const to = query.to ?? new Date(now().getTime() + 60 * 86_400_000).toISOString();
  const rows = await hireRows(db)
    .where('h.from_at', '<', new Date(to))
    .where('h.to_at', '>', new Date(from))
    .$if(query.tag !== undefined, (q) => q.where('hu.tag', '=', query.tag as string))
    .orderBy('h.from_at')
    .limit(500)
    .execute();
  return { hires: rows.map(toHireLine) };
}

export interface NewHire {
  readonly reference: string;
  readonly classId: string;
  readonly tag: string | null;
  readonly fromAt: string;
  readonly toAt: string;
}

/** Books a hire of a unit, or of any unit of a class. */
export async function insertHire(trx: Trx, fresh: NewHire, at: Date, personId: number | null): Promise<void> {
  const unit = fresh.tag === null ? null : await lockUnit(trx, fresh.tag);
  if (unit && unit.class_id !== fresh.classId) refuse('not-valid', { field: 'classId', wants: unit.class_id });
  if (unit?.gone_at) refuse('not-ready', { readiness: 'gone' });
  if (await trx.selectFrom('hire').select('id').where('reference', '=', fresh.reference).executeTakeFirst())
    refuse('already-there', { reference: fresh.reference });
  if (unit && (await overlapping(trx, unit.id, fresh))) refuse('hire-overlaps', { tag: unit.tag });
  await trx
    .insertInto('hire')
    .values({
      reference: fresh.reference,
      class_id: fresh.classId,
      unit_id: unit?.id ?? null,
      from_at: fresh.fromAt,
      to_at: fresh.toAt,
    })
    .execute();
  if (unit)
    await record(trx, {
      unitId: unit.id,
      at,
      kind: 'hire-booked',
      personId,
      facts: { reference: fresh.reference, fromAt: fresh.fromAt, toAt: fresh.toAt },
    });
}

async function overlapping(trx: Trx, unitId: number, span: { fromAt: string; toAt: string }): Promise<boolean> {
  const row = await trx
    .selectFrom('hire')
    .select('id')
    .where('unit_id', '=', unitId)
    .where('state', 'in', ['booked', 'out', 'back'])
    .where('from_at', '<', new Date(span.toAt))
    .where('to_at', '>', new Date(span.fromAt))
    .executeTakeFirst();
  return row !== undefined;
}

export async function addHire(context: Context, actor: Actor, fresh: NewHire): Promise<{ hires: HireLine[] }> {
  await context.db.transaction().execute((trx) => insertHire(trx, fresh, context.now(), actor.id));
  return oneHire(context, fresh.reference);
}

export async function hireBack(context: Context, actor: Actor, reference: string): Promise<{ hires: HireLine[] }> {
  await context.db.transaction().execute(async (trx) => {
    const hire = await lockHire(trx, reference);
    if (hire.state === 'back') return;
    if (hire.state !== 'out' || hire.unit_id === null) refuse('not-hired', { reference, state: hire.state });
    const at = context.now();
    await trx.updateTable('hire').set({ state: 'back', back_at: at }).where('id', '=', hire.id).execute();
    await record(trx, {
      unitId: hire.unit_id as number,
      at,
      kind: 'hire-back',
      personId: actor.id,
      facts: { reference },
    });
    await refreshReadiness(trx, hire.unit_id as number, at);
  });
  return oneHire(context, reference);
}

export async function cancelHire(context: Context, actor: Actor, reference: string): Promise<{ hires: HireLine[] }> {
  await context.db.transaction().execute(async (trx) => {
    const hire = await lockHire(trx, reference);
    if (hire.state === 'cancelled') return;
    if (hire.state !== 'booked') refuse('already-out', { reference, state: hire.state });
    await trx.updateTable('hire').set({ state: 'cancelled' }).where('id', '=', hire.id).execute();
    if (hire.unit_id !== null)
      await record(trx, {
        unitId: hire.unit_id,
        at: context.now(),
        kind: 'hire-cancelled',
        personId: actor.id,
        facts: { reference },
      });
  });
  return oneHire(context, reference);
}

/** Locks the unit first where there is one, as every other change does: no two changes wait for each other. */
async function lockHire(trx: Trx, reference: string) {
  const seen = await trx.selectFrom('hire').select('unit_id').where('reference', '=', reference).executeTakeFirst();
  if (seen?.unit_id != null) await lockUnitById(trx, seen.unit_id);
  return (
    (await trx.selectFrom('hire').selectAll().where('reference', '=', reference).forUpdate().executeTakeFirst()) ??
    refuse('not-found', { reference })
  );
}

async function oneHire({ db }: Context, reference: string): Promise<{ hires: HireLine[] }> {
  return { hires: (await hireRows(db).where('h.reference', '=', reference).execute()).map(toHireLine) };
}
