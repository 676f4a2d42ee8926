import { classOf } from '@hudrik/core/catalogue';
import type { UnitPage } from '@hudrik/core/contracts';
import { NEVER_LOOKED_AT } from '@hudrik/core/defects';
import { roundTenth } from '@hudrik/core/hours';
import type { Actor, Context } from '../context';
import type { Trx } from '../database/tables';
import { addingUnit, type UnitChange } from '../log/changeUnit';
import { openDefects } from '../defects/openDefects';
import { refuse } from '../refusal';
import { readUnitPage } from './unitPage';

export interface NewUnit {
  readonly tag: string;
  readonly modelId: number;
  readonly serial: string;
  readonly homeBay: string;
  readonly meterReading: number;
  readonly meterOffset: number;
}

/** Puts a unit on the yard, with its first meter and reading. Out: its id. */
export const insertUnit = (
  context: Pick<Context, 'db' | 'now'>,
  actor: Actor | null,
  fresh: NewUnit,
): Promise<number> =>
  addingUnit(
    context,
    actor,
    (trx) => insertRow(trx, fresh, context.now()),
    (change) => fitFirstMeter(change, fresh),
  );

const firstTrueHours = (fresh: NewUnit): number => roundTenth(fresh.meterReading + fresh.meterOffset);

async function insertRow(trx: Trx, fresh: NewUnit, at: Date): Promise<number> {
  const model = await trx.selectFrom('model').select('class_id').where('id', '=', fresh.modelId).executeTakeFirst();
  if (model === undefined) return refuse('not-valid', { field: 'modelId' });
  const { letters } = classOf(model.class_id);
  if (!fresh.tag.startsWith(`${letters}-`)) refuse('not-valid', { field: 'tag', wants: letters });
  if (await trx.selectFrom('unit').select('id').where('tag', '=', fresh.tag).executeTakeFirst())
    refuse('already-there', { tag: fresh.tag });
  const { id } = await trx
    .insertInto('unit')
    .values({
      tag: fresh.tag,
      class_id: model.class_id,
      model_id: fresh.modelId,
      serial: fresh.serial,
      home_bay: fresh.homeBay,
      gone_why: null,
      readiness_since: at,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  return id;
}

async function fitFirstMeter({ trx, unit, at, append }: UnitChange, fresh: NewUnit): Promise<number> {
  const trueHours = firstTrueHours(fresh);
  const meter = await trx
    .insertInto('meter')
    .values({ unit_id: unit.id, ordinal: 1, offset_hours: fresh.meterOffset, fitted_at: at, fitted_why: 'first' })
    .returning('id')
    .executeTakeFirstOrThrow();
  const reading = await trx
    .insertInto('meter_reading')
    .values({
      meter_id: meter.id,
      unit_id: unit.id,
      reading: fresh.meterReading,
      true_hours: trueHours,
      read_at: at,
      corrects_id: null,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  const { id } = await append({
    kind: 'unit-added',
    facts: { serial: fresh.serial, reading: fresh.meterReading },
    outcome: { readingId: String(reading.id), trueHours },
  });
  await openDefects(trx, { unitId: unit.id, entryId: id, at }, [NEVER_LOOKED_AT]);
  return unit.id;
}

export async function addUnit(context: Context, actor: Actor, fresh: NewUnit): Promise<UnitPage> {
  await insertUnit(context, actor, fresh);
  return readUnitPage(context, fresh.tag);
}
