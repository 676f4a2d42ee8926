import { classOf } from '@hudrik/core/catalogue';
import type { UnitPage } from '@hudrik/core/contracts';
import { roundTenth } from '@hudrik/core/hours';
import type { Actor, Context } from '../context';
import type { Trx } from '../database/tables';
import { refuse } from '../refusal';
import { record } from './history';
import { refreshReadiness } from './refreshReadiness';
import { readUnitPage } from './unitPage';
import { lockUnit } from './units';

export interface NewUnit {
  readonly tag: string;
  readonly modelId: number;
  readonly serial: string;
  readonly homeBay: string;
  readonly meterReading: number;
  readonly meterOffset: number;
}

/** Puts a unit on the yard, with its first meter and reading. */
export async function insertUnit(trx: Trx, fresh: NewUnit, at: Date, personId: number | null): Promise<number> {
  const model = await trx.selectFrom('model').select('class_id').where('id', '=', fresh.modelId).executeTakeFirst();
  if (model === undefined) return refuse('not-valid', { field: 'modelId' });
  if (!fresh.tag.startsWith(`${classOf(model.class_id).letters}-`))
    refuse('not-valid', { field: 'tag', wants: classOf(model.class_id).letters });
  if (await trx.selectFrom('unit').select('id').where('tag', '=', fresh.tag).executeTakeFirst())
    refuse('already-there', { tag: fresh.tag });
  const total = roundTenth(fresh.meterReading + fresh.meterOffset);
  const { id } = await trx
    .insertInto('unit')
    .values({
      tag: fresh.tag,
      class_id: model.class_id,
      model_id: fresh.modelId,
      serial: fresh.serial,
      home_bay: fresh.homeBay,
      gone_why: null,
      fuel_eighths: null,
      last_oil_service_true_hours: total,
      readiness_since: at,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  const meter = await trx
    .insertInto('meter')
    .values({ unit_id: id, ordinal: 1, offset_hours: fresh.meterOffset, fitted_at: at, fitted_why: 'first' })
    .returning('id')
    .executeTakeFirstOrThrow();
  const reading = await trx
    .insertInto('meter_reading')
    .values({
      meter_id: meter.id,
      unit_id: id,
      reading: fresh.meterReading,
      true_hours: total,
      read_at: at,
      corrects_id: null,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  await record(trx, {
    unitId: id,
    at,
    kind: 'unit-added',
    personId,
    facts: { readingId: String(reading.id), reading: fresh.meterReading, trueHours: total, serial: fresh.serial },
  });
  return id;
}

export async function addUnit(context: Context, actor: Actor, fresh: NewUnit): Promise<UnitPage> {
  await context.db.transaction().execute((trx) => insertUnit(trx, fresh, context.now(), actor.id));
  return readUnitPage(context, fresh.tag);
}

export interface UnitChange {
  readonly serial?: string | undefined;
  readonly homeBay?: string | undefined;
  readonly laidUp?: boolean | undefined;
  readonly gone?: { readonly why: string } | null | undefined;
}

/** Changes what a lead may change by hand. Refused when the unit is not as the person saw it. */
export async function changeUnit(
  context: Context,
  actor: Actor,
  tag: string,
  change: UnitChange,
  seenVersion: number | null,
): Promise<UnitPage> {
  await context.db.transaction().execute(async (trx) => {
    const unit = await lockUnit(trx, tag);
    if (seenVersion !== null && seenVersion !== unit.version) refuse('changed-meanwhile', { version: unit.version });
    if ((change.laidUp || change.gone) && (unit.readiness === 'out' || (await isOnHire(trx, unit.id))))
      refuse('already-out', { tag: unit.tag });
    const at = context.now();
    await trx
      .updateTable('unit')
      .set({
        ...(change.serial === undefined ? {} : { serial: change.serial }),
        ...(change.homeBay === undefined ? {} : { home_bay: change.homeBay }),
        ...(change.laidUp === undefined ? {} : { laid_up_at: change.laidUp ? at : null }),
        ...(change.gone === undefined ? {} : { gone_at: change.gone ? at : null, gone_why: change.gone?.why ?? null }),
        // Something is always set, so that an empty change is a change of nothing and no broken statement.
        tag: unit.tag,
      })
      .where('id', '=', unit.id)
      .execute();
    await record(trx, { unitId: unit.id, at, kind: 'unit-changed', personId: actor.id, facts: { ...change } });
    await refreshReadiness(trx, unit.id, at);
  });
  return readUnitPage(context, tag);
}

async function isOnHire(trx: Trx, unitId: number): Promise<boolean> {
  return (
    (await trx
      .selectFrom('hire')
      .select('id')
      .where('unit_id', '=', unitId)
      .where('state', 'in', ['out', 'back'])
      .executeTakeFirst()) !== undefined
  );
}

export async function addNote(context: Context, actor: Actor, tag: string, text: string) {
  const at = context.now();
  const id = await context.db.transaction().execute(async (trx) => {
    const unit = await lockUnit(trx, tag);
    return record(trx, { unitId: unit.id, at, kind: 'note', personId: actor.id, facts: { text } });
  });
  return { id: String(id), at: at.toISOString(), kind: 'note', by: actor.name, facts: { text }, corrects: null };
}

/** Corrects a reading by a new record that points at the old. The database sees to it that the readings of a meter never fall. */
export async function correctReading(
  context: Context,
  actor: Actor,
  tag: string,
  correction: { readingId: string; reading: number; why: string },
): Promise<UnitPage> {
  await context.db.transaction().execute(async (trx) => {
    const unit = await lockUnit(trx, tag);
    const old = /^\d+$/.test(correction.readingId)
      ? await trx
          .selectFrom('meter_reading as r')
          .innerJoin('meter as m', 'm.id', 'r.meter_id')
          .select(['r.id', 'r.meter_id', 'r.reading', 'r.read_at', 'm.offset_hours'])
          .where('r.id', '=', Number(correction.readingId))
          .where('r.unit_id', '=', unit.id)
          .executeTakeFirst()
      : undefined;
    if (old === undefined) return refuse('not-found', { field: 'readingId' });
    if (await trx.selectFrom('meter_reading').select('id').where('corrects_id', '=', old.id).executeTakeFirst())
      refuse('already-there', { field: 'readingId' });
    const trueHours = roundTenth(correction.reading + old.offset_hours);
    await trx
      .insertInto('meter_reading')
      .values({
        meter_id: old.meter_id,
        unit_id: unit.id,
        reading: correction.reading,
        true_hours: trueHours,
        read_at: old.read_at,
        corrects_id: old.id,
      })
      .execute();
    const points = await trx
      .selectFrom('history_record')
      .select('id')
      .where('unit_id', '=', unit.id)
      .where('kind', 'in', ['check-in', 'check-out', 'unit-added'])
      .where((eb) => eb(eb.ref('facts', '->>').key('readingId' as never), '=', correction.readingId as never))
      .executeTakeFirst();
    await record(trx, {
      unitId: unit.id,
      at: context.now(),
      kind: 'reading-corrected',
      personId: actor.id,
      facts: { from: old.reading, reading: correction.reading, trueHours, why: correction.why },
      correctsId: points?.id ?? null,
    });
    await refreshReadiness(trx, unit.id, context.now());
  });
  return readUnitPage(context, tag);
}
