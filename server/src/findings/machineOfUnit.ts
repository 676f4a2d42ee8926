import { isOf, type Facts } from '@hudrik/core/log';
import type { MachineFacts, Trx, UnitRow } from '../database/tables';
import { lastReading } from '../fleet/meters';
import { pastOfFuel } from '../fuel/pastOfFuel';
import { engineOilDone } from '../service/serviceDone';

/**
 * What is known of a unit's engine and past: its model's data sheet, its hours since service, how long it stood and how, what fuel is in it, its
 * years on the yard.
 */
export async function machineOfUnit(trx: Trx, unit: UnitRow, said: MachineFacts, at: Date): Promise<MachineFacts> {
  const { data_sheet: sheet } = await trx
    .selectFrom('model')
    .select('data_sheet')
    .where('id', '=', unit.model_id)
    .executeTakeFirstOrThrow();
  const engine = sheet.engine ?? {};
  const { trueHours } = await lastReading(trx, unit.id);
  const came = await trx
    .selectFrom('log_entry')
    .select('at')
    .where('unit_id', '=', unit.id)
    .where('kind', '=', 'unit-added')
    .orderBy('place')
    .limit(1)
    .executeTakeFirst();
  return {
    classId: unit.class_id,
    engine: { ...engine, ...said.engine },
    past: {
      daysStood: await daysStood(trx, unit, at),
      hoursSinceService: Math.max(Math.round(trueHours - (await engineOilDone(trx, unit.id))), 0),
      ...(await pastOfFuel(trx, unit.id, at)),
      ...(await putAway(trx, unit.id)),
      ...(came ? { ageYears: Math.round((at.getTime() - came.at.getTime()) / 31_557_600_000) } : {}),
      ...said.past,
    },
  };
}

const DAY = 86_400_000;

/** Days between its last two uses, or since its last: what it stood before the trouble showed. */
async function daysStood(trx: Trx, unit: UnitRow, at: Date): Promise<number> {
  const hires = await trx
    .selectFrom('hire')
    .select(['out_at', 'ended_at', 'back_at'])
    .where('unit_id', '=', unit.id)
    .where('out_at', 'is not', null)
    .orderBy('out_at', 'desc')
    .limit(2)
    .execute();
  const [last, before] = hires;
  const back = last?.back_at ?? last?.ended_at;
  if (last?.out_at && before?.ended_at && back && at.getTime() - back.getTime() < 14 * DAY)
    return days(last.out_at.getTime() - before.ended_at.getTime());
  return back ? days(at.getTime() - back.getTime()) : 0;
}

const days = (span: number): number => Math.max(Math.round(span / DAY), 0);

/** How it was put away and stood, as the newest check-in was told. */
async function putAway(trx: Trx, unitId: number): Promise<NonNullable<Facts<'check-in'>['past']>> {
  const row = await trx
    .selectFrom('log_entry')
    .select(['kind', 'facts', 'outcome'])
    .where('unit_id', '=', unitId)
    .where('kind', '=', 'check-in')
    .orderBy('at', 'desc')
    .limit(1)
    .executeTakeFirst();
  return (row && isOf(row, 'check-in') ? row.facts.past : undefined) ?? {};
}
