import { classOf } from '@hudrik/core/catalogue';
import type { Facts } from '@hudrik/core/log';
import { fallsDue, mayGoOut } from '@hudrik/core/readiness';
import { HIRE } from '@hudrik/core/states';
import type { HireRow, Trx, UnitRow } from '../database/tables';
import { readDefects } from '../defects/readDefects';
import { presentKit } from '@hudrik/core/verdict';
import { rateOfUse, takeReading } from '../fleet/meters';
import { computeReadiness } from '../fleet/computeReadiness';
import { unitFacts } from '../fleet/unitFacts';
import type { Taker } from '../log/taking';
import { refuse } from '../refusal';

type Sent = Facts<'check-out'>;

/** Hands a unit out: refused when it is held and why; one in prep, or due for its service before it is back, when no lead waives it. */
export const takeCheckOut: Taker<'check-out'> = async ({ change, actor, id, facts: sent, record }) => {
  const { trx, unit, at } = change;
  const signer = { isLead: actor.role === 'lead', waiverReason: sent.waiverReason };
  const going = mayGoOut(await computeReadiness(trx, unit.id), signer, await dueDuring(trx, unit, sent, at));
  if (!going.may) return refuse(going.code, { ...going });
  if (going.waives) await mustBeSafe(trx, unit.id);
  const { kit } = classOf(unit.class_id);
  const stray = presentKit(sent.kit, kit).find((entry) => !kit.some((known) => known.id === entry.id));
  if (stray) refuse('not-valid', { field: 'kit.id', value: stray.id });
  const hire = await hireToStart(trx, unit, sent, at, id);
  const taken = await takeReading(trx, { unit, entry: sent.hours, at, hireDays: 0 });
  await trx.updateTable('hire').set({ state: 'out', unit_id: unit.id, out_at: at }).where('id', '=', hire.id).execute();
  await trx
    .insertInto('check_out')
    .values({ id, unit_id: unit.id, hire_id: hire.id, at, reading_id: taken.readingId })
    .execute();
  await trx.updateTable('unit').set({ fuel_eighths: sent.fuelEighths }).where('id', '=', unit.id).execute();
  const { readingId, reading, trueHours } = taken;
  const { reference, to_at: dueAt } = hire;
  await record({
    outcome: {
      readingId: String(readingId),
      reading,
      trueHours,
      reference,
      dueAt: dueAt.toISOString(),
      waived: going.waives,
    },
  });
  return undefined;
};

const DAY_MS = 86_400_000;

/** What falls due before the unit is back. */
async function dueDuring(trx: Trx, unit: UnitRow, { hire, dueAt }: Sent, at: Date): Promise<string[]> {
  const booked =
    hire === null
      ? undefined
      : await trx.selectFrom('hire').select('to_at').where('reference', '=', hire).executeTakeFirst();
  const back = booked?.to_at ?? new Date(dueAt ?? at);
  const { hoursToOilService } = await unitFacts(trx, unit.id);
  const days = (back.getTime() - at.getTime()) / DAY_MS;
  return fallsDue({ hoursToOilService, use: await rateOfUse(trx, unit), days });
}

/** Nobody can waive what can hurt the hirer. */
async function mustBeSafe(trx: Trx, unitId: number): Promise<void> {
  const unsafe = (await readDefects(trx, unitId)).filter((defect) => defect.safety);
  if (unsafe.length > 0) refuse('not-ready', { because: unsafe.map((defect) => defect.sentence) });
}

type Hire = Pick<HireRow, 'id' | 'reference' | 'to_at'>;

/** The booked hire that this starts, or one made now for a hirer who walked in. */
async function hireToStart(trx: Trx, unit: UnitRow, sent: Sent, at: Date, checkOutId: string): Promise<Hire> {
  if (sent.hire !== null) return bookedHire(trx, unit, sent.hire, at);
  const dueAt = sent.dueAt ?? refuse('not-valid', { field: 'dueAt' });
  if (Date.parse(dueAt) <= at.getTime()) return refuse('not-valid', { field: 'dueAt' });
  await mustNotBePromised(trx, unit, { from: at, to: new Date(dueAt), but: null });
  return trx
    .insertInto('hire')
    .values({
      reference: `W-${checkOutId.slice(0, 8)}`,
      class_id: unit.class_id,
      unit_id: unit.id,
      from_at: at,
      to_at: dueAt,
    })
    .returning(['id', 'reference', 'to_at'])
    .executeTakeFirstOrThrow();
}

async function bookedHire(trx: Trx, unit: UnitRow, reference: string, at: Date): Promise<Hire> {
  const hire = await trx
    .selectFrom('hire')
    .selectAll()
    .where('reference', '=', reference)
    .forUpdate()
    .executeTakeFirst();
  if (hire === undefined) return refuse('not-found', { reference });
  const next = HIRE.after(hire.state, 'hand-out');
  if (!next.ok) return refuse('already-out', { reference, state: next.state });
  if (hire.class_id !== unit.class_id || (hire.unit_id !== null && hire.unit_id !== unit.id))
    return refuse('not-valid', { field: 'hire', value: reference });
  await mustNotBePromised(trx, unit, { from: at, to: hire.to_at, but: hire.id });
  return hire;
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
    .where('id', '<>', span.but ?? 0)
    .executeTakeFirst();
  if (promised)
    refuse('hire-overlaps', {
      tag: unit.tag,
      reference: promised.reference,
      fromAt: promised.from_at.toISOString(),
    });
}
