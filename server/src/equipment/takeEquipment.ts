import type { EquipmentReply } from '@hudrik/core/contracts';
import { readFromAfar } from '@hudrik/core/hours';
import { notifyChange } from '../background/notify';
import { AHEAD_SECONDS } from '../background/regular';
import type { Context } from '../context';
import type { Db, UnitRow } from '../database/tables';
import { lastReading, rateOfUse } from '../fleet/meters';
import { readSettings } from '../people/settings';
import type { Feed } from '../outside/feed';
import { lastFromAfar, readEquipment } from './readEquipment';
import type { Machine } from './readFleetText';

type Asking = Pick<Context, 'db' | 'now'>;
/** Of what was not taken so many are kept, to be looked at; the rest are counted. */
const MOST_SHOWN = 200;

const HOUR_MS = 3_600_000;
const DAY_HOURS = 24;
/** A machine that stands tells the same each time: its place and that it is awake are kept so often. */
const KEEP_SAME_HOURS = 6;

/** Takes in what the machines tell of themselves now. What cannot be read leaves everything as it was, and is told. */
export async function takeEquipment(context: Asking & Pick<Context, 'readers'>, feed: Feed): Promise<EquipmentReply> {
  const { db, now } = context;
  const answer = await feed.read();
  const { timeZone } = await readSettings(db);
  const read = answer.ok ? await context.readers.fleet(answer.body, { timeZone, at: now() }) : answer;
  if (!read.ok) {
    await db.updateTable('equipment_state').set({ problem: read.problem }).execute();
    return readEquipment(context);
  }
  let taken = 0;
  const notTaken: EquipmentReply['notTaken'][number][] = [...read.problems];
  const units = await db.selectFrom('unit').selectAll().where('readiness', '<>', 'gone').execute();
  for (const machine of read.machines) {
    const { line } = machine;
    const name = machine.equipmentId || machine.serial;
    const unit = units.find(({ tag }) => tag === machine.equipmentId) ?? only(units, machine.serial);
    if (unit === undefined) notTaken.push({ line, name, problem: 'not-ours' });
    else if (machine.readAt.getTime() > now().getTime() + AHEAD_SECONDS * 1000)
      notTaken.push({ line, name, problem: 'in-future' });
    else taken += Number(await takeMachine(context, unit, machine));
  }
  const told = { refused: notTaken.length, not_taken: JSON.stringify(notTaken.slice(0, MOST_SHOWN)) };
  const state = { answered_at: now(), problem: null, ...told };
  await db.updateTable('equipment_state').set(state).execute();
  if (taken > 0) await notifyChange(db, { what: 'hours', id: 'equipment' });
  return readEquipment(context);
}

/** The one unit with this serial number; two with the same tell nothing. */
function only(units: readonly UnitRow[], serial: string): UnitRow | undefined {
  const found = units.filter((unit) => serial !== '' && unit.serial === serial);
  return found.length === 1 ? found[0] : undefined;
}

/** One machine's hours, checked against what was read or told last. What is older than that tells nothing new. Out: whether it was taken. */
async function takeMachine({ db, now }: Asking, unit: UnitRow, machine: Machine): Promise<boolean> {
  const { reading, readAt, latitude, longitude } = machine;
  const [typed, told] = [await lastReading(db, unit.id), await lastFromAfar(db, unit.id)];
  const [lastTold, lastGood] = [told.newest, told.good];
  if (lastTold && !isNews(lastTold, machine)) return false;
  if (readAt <= typed.readAt) return false;
  const last =
    lastGood && lastGood.readAt > typed.readAt
      ? { lastReading: lastGood.reading, readAt: lastGood.readAt }
      : { lastReading: typed.reading, readAt: typed.readAt };
  const { trueHours, finding, counts } = readFromAfar(reading, {
    lastReading: last.lastReading,
    offsetHours: typed.offsetHours,
    clockHours: (readAt.getTime() - last.readAt.getTime()) / HOUR_MS,
    hireDays: await daysOut(db, unit.id, last.readAt, readAt),
    use: await rateOfUse(db, unit),
  });
  await db
    .insertInto('afar_reading')
    .values({
      ...{ unit_id: unit.id, reading, true_hours: trueHours, read_at: readAt, latitude, longitude, taken_at: now() },
      problem: counts ? null : (finding?.code ?? null),
    })
    .onConflict((conflict) => conflict.doNothing())
    .execute();
  return true;
}

const isNews = (before: { readonly reading: number; readonly readAt: Date }, { reading, readAt }: Machine): boolean =>
  readAt > before.readAt &&
  (reading !== before.reading || readAt.getTime() - before.readAt.getTime() >= KEEP_SAME_HOURS * HOUR_MS);

/** Days on the hire that it is out on, of this stretch. */
async function daysOut(db: Db, unitId: number, from: Date, to: Date): Promise<number> {
  const hire = await db
    .selectFrom('hire')
    .select('out_at')
    .where('unit_id', '=', unitId)
    .where('state', '=', 'out')
    .executeTakeFirst();
  if (hire?.out_at == null) return 0;
  return Math.max((to.getTime() - Math.max(from.getTime(), hire.out_at.getTime())) / HOUR_MS / DAY_HOURS, 0);
}
