import type { CheckOut, NewCheckOut } from '@hudrik/core/contracts';
import { classOf } from '@hudrik/core/catalogue';
import { mayGoOut } from '@hudrik/core/readiness';
import type { Actor, Context } from '../context';
import type { HireRow, Trx, UnitRow } from '../database/tables';
import { record } from '../fleet/history';
import { takeReading } from '../fleet/meters';
import { computeReadiness, refreshReadiness } from '../fleet/refreshReadiness';
import { lockUnit } from '../fleet/units';
import { hireRows, toHireLine } from '../hires/hireLines';
import { refuse } from '../refusal';

/** Hands a unit out: refused when it is held and why; a unit in prep goes when a lead waives it with a reason. Sent twice it is taken once. */
export async function addCheckOut(context: Context, actor: Actor, sent: NewCheckOut): Promise<CheckOut> {
  await context.db.transaction().execute(async (trx) => {
    const unit = await lockUnit(trx, sent.tag);
    const twice = await trx.selectFrom('check_out').select('unit_id').where('id', '=', sent.id).executeTakeFirst();
    if (twice) return twice.unit_id === unit.id ? undefined : refuse('key-reused', { id: sent.id });
    const going = mayGoOut(await computeReadiness(trx, unit.id), {
      isLead: actor.role === 'lead',
      waiverReason: sent.waiverReason,
    });
    if (!going.may) return refuse(going.code, { ...going });
    await handOut(trx, context.now(), { actor, unit, sent, waives: going.waives });
  });
  return readCheckOut(context, sent.id);
}

interface HandingOut {
  readonly actor: Actor;
  readonly unit: UnitRow;
  readonly sent: NewCheckOut;
  readonly waives: boolean;
}

async function handOut(trx: Trx, at: Date, { actor, unit, sent, waives }: HandingOut): Promise<void> {
  const kit = classOf(unit.class_id).kit;
  const stray = sent.kit.find((entry) => !kit.some((known) => known.id === entry.id));
  if (stray) refuse('not-valid', { field: 'kit.id', value: stray.id });
  const hire = await hireToStart(trx, unit, sent, at);
  const taken = await takeReading(trx, { unit, entry: sent.hours, at, hireDays: 0 });
  await trx.updateTable('hire').set({ state: 'out', unit_id: unit.id, out_at: at }).where('id', '=', hire.id).execute();
  await trx
    .insertInto('check_out')
    .values({
      id: sent.id,
      unit_id: unit.id,
      hire_id: hire.id,
      person_id: actor.id,
      at,
      reading_id: taken.readingId,
      fuel_eighths: sent.fuelEighths,
      kit: JSON.stringify(sent.kit),
      looks: JSON.stringify(sent.looks),
      waiver_reason: waives ? sent.waiverReason : null,
    })
    .execute();
  await trx.updateTable('unit').set({ fuel_eighths: sent.fuelEighths }).where('id', '=', unit.id).execute();
  await refreshReadiness(trx, unit.id, at);
  const facts = {
    checkOutId: sent.id,
    readingId: String(taken.readingId),
    reading: taken.reading,
    trueHours: taken.trueHours,
    fuelEighths: sent.fuelEighths,
    reference: hire.reference,
    dueAt: hire.to_at,
    ...(waives ? { waiverReason: sent.waiverReason } : {}),
  };
  await record(trx, { unitId: unit.id, at, kind: 'check-out', personId: actor.id, facts });
}

/** The booked hire that this starts, or one made now for a hirer who walked in. */
async function hireToStart(
  trx: Trx,
  unit: UnitRow,
  sent: NewCheckOut,
  at: Date,
): Promise<Pick<HireRow, 'id' | 'reference' | 'to_at'>> {
  if (sent.hire !== null) {
    const hire = await trx
      .selectFrom('hire')
      .selectAll()
      .where('reference', '=', sent.hire)
      .forUpdate()
      .executeTakeFirst();
    if (hire === undefined) return refuse('not-found', { reference: sent.hire });
    if (hire.state !== 'booked') return refuse('already-out', { reference: sent.hire, state: hire.state });
    if (hire.class_id !== unit.class_id || (hire.unit_id !== null && hire.unit_id !== unit.id))
      return refuse('not-valid', { field: 'hire', value: sent.hire });
    await mustNotBePromised(trx, unit, { from: at, to: hire.to_at, but: hire.id });
    return hire;
  }
  const dueAt = sent.dueAt ?? refuse('not-valid', { field: 'dueAt' });
  if (Date.parse(dueAt) <= at.getTime()) return refuse('not-valid', { field: 'dueAt' });
  await mustNotBePromised(trx, unit, { from: at, to: new Date(dueAt), but: null });
  return trx
    .insertInto('hire')
    .values({
      reference: `W-${sent.id.slice(0, 8)}`,
      class_id: unit.class_id,
      unit_id: unit.id,
      from_at: at,
      to_at: dueAt,
    })
    .returning(['id', 'reference', 'to_at'])
    .executeTakeFirstOrThrow();
}

/** Refused while the unit is booked for somebody else within the span. */
async function mustNotBePromised(
  trx: Trx,
  unit: UnitRow,
  span: { from: Date; to: Date; but: number | null },
): Promise<void> {
  const promised = await trx
    .selectFrom('hire')
    .select(['reference', 'from_at'])
    .where('unit_id', '=', unit.id)
    .where('state', '=', 'booked')
    .where('from_at', '<', span.to)
    .where('to_at', '>', span.from)
    .$if(span.but !== null, (query) => query.where('id', '<>', span.but as number))
    .executeTakeFirst();
  if (promised)
    refuse('hire-overlaps', { tag: unit.tag, reference: promised.reference, fromAt: promised.from_at.toISOString() });
}

async function readCheckOut({ db }: Context, id: string): Promise<CheckOut> {
  const row = await db
    .selectFrom('check_out as o')
    .innerJoin('unit as u', 'u.id', 'o.unit_id')
    .innerJoin('person as p', 'p.id', 'o.person_id')
    .select(['o.id', 'u.tag', 'o.at', 'p.name', 'o.hire_id', 'o.waiver_reason'])
    .where('o.id', '=', id)
    .executeTakeFirstOrThrow();
  const hire = await hireRows(db).where('h.id', '=', row.hire_id).executeTakeFirstOrThrow();
  return {
    id: row.id,
    tag: row.tag,
    at: row.at.toISOString(),
    by: row.name,
    hire: toHireLine(hire),
    waived: row.waiver_reason !== null,
  };
}
