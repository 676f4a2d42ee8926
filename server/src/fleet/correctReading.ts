import { roundTenth } from '@hudrik/core/hours';
import type { Trx } from '../database/tables';
import type { Taker } from '../log/taking';
import { closeUndone } from '../defects/settle';
import { refuse } from '../refusal';

/** Corrects a reading by a new record that points at the old. The database sees to it that the readings of a meter never fall. */
export const correctReading: Taker<'reading-corrected'> = async ({ change, id: entryId, facts, record }) => {
  const { trx, unit } = change;
  const old = await readingOf(trx, unit.id, Number(facts.readingId));
  if (old === undefined) return refuse('not-found', { field: 'readingId' });
  if (await trx.selectFrom('meter_reading').select('id').where('corrects_id', '=', old.id).executeTakeFirst())
    refuse('already-there', { field: 'readingId' });
  const trueHours = roundTenth(facts.reading + old.offset_hours);
  const { id } = await trx
    .insertInto('meter_reading')
    .values({
      meter_id: old.meter_id,
      unit_id: unit.id,
      reading: facts.reading,
      true_hours: trueHours,
      read_at: old.read_at,
      corrects_id: old.id,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  const correctsId = await entryThatRead(trx, unit.id, facts.readingId);
  await record({ correctsId, outcome: { readingId: String(id), from: old.reading, trueHours } });
  await closeUndone(trx, { unitId: unit.id, entryId, at: change.at });
  return undefined;
};

const readingOf = (trx: Trx, unitId: number, readingId: number) =>
  trx
    .selectFrom('meter_reading as r')
    .innerJoin('meter as m', 'm.id', 'r.meter_id')
    .select(['r.id', 'r.meter_id', 'r.reading', 'r.read_at', 'm.offset_hours'])
    .where('r.id', '=', readingId)
    .where('r.unit_id', '=', unitId)
    .executeTakeFirst();

/** The entry of the log that this reading was taken with. */
async function entryThatRead(trx: Trx, unitId: number, readingId: string): Promise<string | null> {
  const row = await trx
    .selectFrom('log_entry')
    .select('id')
    .where('unit_id', '=', unitId)
    .where('kind', 'in', ['check-in', 'check-out', 'unit-added', 'reading-corrected'])
    .where((eb) => eb(eb.ref('outcome', '->>').key('readingId'), '=', readingId))
    .executeTakeFirst();
  return row?.id ?? null;
}
