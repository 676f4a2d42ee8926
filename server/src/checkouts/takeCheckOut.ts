import { classOf, looksOnHandOut } from '@hudrik/core/catalogue';
import type { Facts } from '@hudrik/core/log';
import { fallsDue, mayGoOut } from '@hudrik/core/readiness';
import { HIRE } from '@hudrik/core/states';
import { notFittedTo } from '../checkins/opening';
import type { HireRow, Trx, UnitRow } from '../database/tables';
import { closeOf } from '../defects/closeDefects';
import { readDefects } from '../defects/readDefects';
import { presentKit } from '@hudrik/core/verdict';
import { rateOfUse, takeReading } from '../fleet/meters';
import { computeReadiness } from '../fleet/computeReadiness';
import { unitFacts } from '../fleet/unitFacts';
import type { Taker, Taking } from '../log/taking';
import { refuse } from '../refusal';

type Sent = Facts<'check-out'>;

/**
 * Hands a unit out: refused when it is held and why; one in prep, or due for its service before it is back, when no lead waives it; and while its kit
 * is not counted or not looked at. It left when it was handed out: what was found after that keeps it no more, and is told.
 */
export const takeCheckOut: Taker<'check-out'> = async (taking) => {
  const { change, actor, id, facts: sent, record } = taking;
  const { trx, unit } = change;
  const at = leftAt(taking);
  const { verdict, since } = await standingAt(trx, unit.id, at);
  const signer = { isLead: actor.role === 'lead', waiverReason: sent.waiverReason };
  const going = mayGoOut(verdict, signer, await dueDuring(trx, unit, sent, at));
  if (!going.may)
    return going.code === 'not-ready'
      ? refuse('not-ready', { readiness: going.readiness, because: going.because })
      : refuse('prep-not-done', { because: going.because, leadMayWaive: true });
  if (going.waives) await mustBeSafe(trx, unit.id, at);
  mustBeCounted(unit, sent);
  await mustBeLookedAt(trx, unit, sent);
  const hire = await hireToStart(trx, unit, sent, at, id);
  const taken = await takeReading(trx, { unit, entry: sent.hours, at, hireDays: 0 });
  await goOut(trx, unit, { hireId: hire.id, at });
  await trx
    .insertInto('check_out')
    .values({ id, unit_id: unit.id, hire_id: hire.id, at, reading_id: taken.readingId })
    .execute();
  const { readingId, reading, trueHours } = taken;
  await record({
    outcome: {
      readingId: String(readingId),
      ...{ reading, trueHours, reference: hire.reference, dueAt: hire.to_at.toISOString(), waived: going.waives },
      ...(since.length === 0 ? {} : { foundSince: since }),
    },
  });
  await closeOf(trx, { unitId: unit.id, kind: 'hours' }, { entryId: id, how: 'looked-at', at: change.at });
  return undefined;
};

/** When it left: as it was handed out, if that is known and lies after whatever was last said of it; else when that arrived. */
const leftAt = ({ at, timing, change }: Taking<'check-out'>): Date => (timing === 'known' ? at : change.at);

/** How it stood when it left: by what was seen until then. Out: that, and what was found since. */
async function standingAt(trx: Trx, unitId: number, at: Date) {
  const verdict = await computeReadiness(trx, unitId, { seenBy: at });
  const since = (await readDefects(trx, unitId)).filter((defect) => defect.foundAt > at.toISOString());
  return { verdict, since: since.map((defect) => defect.sentence) };
}

/** Each thing of its class's kit goes along, or stays: somebody has counted it. */
function mustBeCounted(unit: UnitRow, sent: Sent): void {
  const { kit } = classOf(unit.class_id);
  const counted = presentKit(sent.kit, kit).map((entry) => entry.id);
  const stray = counted.find((id) => !kit.some((known) => known.id === id));
  if (stray !== undefined) refuse('not-valid', { field: 'kit.id', value: stray });
  const items = kit.filter((item) => !counted.includes(item.id)).map(({ id, name }) => ({ id, name }));
  if (items.length > 0) refuse('kit-not-counted', { items });
}

/** What is looked at as it goes out was. */
async function mustBeLookedAt(trx: Trx, unit: UnitRow, sent: Sent): Promise<void> {
  const wanted = looksOnHandOut(classOf(unit.class_id), await notFittedTo(trx, unit.id));
  const looks = wanted.filter(({ id }) => !sent.looks.includes(id)).map(({ id, words }) => ({ id, words }));
  if (looks.length > 0) refuse('looks-missing', { looks });
}

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
async function mustBeSafe(trx: Trx, unitId: number, at: Date): Promise<void> {
  const unsafe = (await readDefects(trx, unitId)).filter(
    (defect) => defect.safety && defect.foundAt <= at.toISOString(),
  );
  if (unsafe.length > 0) refuse('not-ready', { because: unsafe.map((defect) => defect.sentence) });
}

type Hire = Pick<HireRow, 'id' | 'reference' | 'to_at'>;

/** The unit is with its hirer from then on. */
export const goOut = (
  trx: Trx,
  unit: UnitRow,
  { hireId, at, leftAnyway = false }: { readonly hireId: number; readonly at: Date; readonly leftAnyway?: boolean },
) =>
  trx
    .updateTable('hire')
    .set({ state: 'out', unit_id: unit.id, out_at: at, left_anyway: leftAnyway })
    .where('id', '=', hireId)
    .execute();

/** The booked hire that this starts, or one made now for a hirer who walked in. */
export async function hireToStart(
  trx: Trx,
  unit: UnitRow,
  sent: Pick<Sent, 'hire' | 'dueAt'>,
  at: Date,
  entryId: string,
  letter = 'W',
): Promise<Hire> {
  if (sent.hire !== null) return bookedHire(trx, unit, sent.hire, at);
  const dueAt = sent.dueAt ?? refuse('not-valid', { field: 'dueAt' });
  if (Date.parse(dueAt) <= at.getTime()) return refuse('not-valid', { field: 'dueAt' });
  await mustNotBePromised(trx, unit, { from: at, to: new Date(dueAt), but: null });
  return trx
    .insertInto('hire')
    .values({
      reference: `${letter}-${entryId.slice(0, 8)}`,
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
