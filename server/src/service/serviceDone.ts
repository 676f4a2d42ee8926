import { ENGINE_OIL } from '@hudrik/core/catalogue';
import type { Moment } from '@hudrik/core/service';
import type { Db, Trx } from '../database/tables';
import { stands } from '../fleet/stands';
import { refuse } from '../refusal';

/** What was done last of each item, by item. */
async function doneOf(db: Db | Trx, unitId: number): Promise<ReadonlyMap<string, Moment>> {
  const rows = await db
    .selectFrom('service_done')
    .distinctOn('item')
    .select(['item', 'true_hours', 'at'])
    .where('unit_id', '=', unitId)
    .orderBy('item')
    .orderBy('at', 'desc')
    .execute();
  return new Map(rows.map(({ item, true_hours: trueHours, at }) => [item, { trueHours, at }]));
}

/** When a unit came to the yard, and with how many true hours: its first reading that stands. */
async function cameAt(db: Db | Trx, unitId: number): Promise<Moment> {
  const row = await db
    .selectFrom('meter_reading as r')
    .innerJoin('meter_reading as first', 'first.id', 'r.stands_for')
    .select(['r.true_hours', 'first.read_at'])
    .where('r.unit_id', '=', unitId)
    .where(stands('r'))
    .orderBy('r.stands_for')
    .limit(1)
    .executeTakeFirst();
  return row === undefined ? refuse('not-found', { unit: unitId }) : { trueHours: row.true_hours, at: row.read_at };
}

/** The true hours of the last oil change, or at which the unit came. */
export async function engineOilDone(trx: Trx, unitId: number): Promise<number> {
  const done = (await doneOf(trx, unitId)).get(ENGINE_OIL);
  return (done ?? (await cameAt(trx, unitId))).trueHours;
}
