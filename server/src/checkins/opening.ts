import { OPEN_JOB_STATES } from '@hudrik/core/card';
import type { Opening } from '@hudrik/core/contracts';
import { forecastHours } from '@hudrik/core/hours';
import { HIRES_GOING_ON } from '@hudrik/core/states';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { toldSince } from '../hires/trouble';
import { readAtGate } from '../hires/readAtGate';
import { hireRows, toHireLine } from '../hires/hireLines';
import { lastReading, rateOfUse } from '../fleet/meters';
import { readDefects } from '../defects/readDefects';
import { askedAgain } from '../defects/settle';
import { unprovedOf } from '../cards/unproved';
import { countComebacks } from '../cards/countComebacks';
import { kitPricesOf } from '../people/settings';
import { ratingsOfUnit } from '../fleet/models';
import { toUnitLine, unitRows } from '../fleet/unitLines';
import { readFromAfarOf } from '../equipment/readEquipment';
import { readLevel } from '../fuel/unitFuel';
import { wakeMinutesNow } from '../layUp/wakeMinutes';
import { unitByTag } from '../fleet/units';
import { isOf } from '@hudrik/core/log';

/** What is known of a unit when somebody starts to check it in or out. */
export async function readOpening({ db, now }: Pick<Context, 'db' | 'now'>, tag: string): Promise<Opening> {
  const unit = await unitByTag(db, tag);
  const line = toUnitLine(await unitRows(db).where('u.id', '=', unit.id).executeTakeFirstOrThrow());
  const last = await lastReading(db, unit.id);
  const use = await rateOfUse(db, unit);
  const hire = await hireRows(db)
    .where('h.unit_id', '=', unit.id)
    .where('h.state', 'in', HIRES_GOING_ON)
    .executeTakeFirst();
  const work = await db
    .selectFrom('job')
    .select((eb) => eb.fn.sum<number>('minutes').as('minutes'))
    .where('unit_id', '=', unit.id)
    .where('state', 'in', OPEN_JOB_STATES)
    .where('blocks', '<>', 'none')
    .executeTakeFirst();
  return {
    tag: unit.tag,
    classId: line.classId,
    model: line.model,
    verdict: line.verdict,
    basedOn: await newestCheckInId(db, unit.id),
    lastReading: last.reading,
    lastReadAt: last.readAt.toISOString(),
    fromAfar: await readFromAfarOf({ db, now }, unit.id),
    meterOffset: last.offsetHours,
    hire: hire ? toHireLine(hire) : null,
    nextHire: line.nextHire,
    atGate: hire ? ((await readAtGate(db, [hire.reference])).get(hire.reference) ?? null) : null,
    told: hire ? await toldSince(db, unit.id, hire.out_at) : [],
    wentOut: hire ? await wentOut(db, hire.id) : null,
    fuel: await readLevel(db, unit.id),
    use,
    trueHours: line.trueHours,
    hoursToOilService: line.hoursToOilService,
    nextHireHours: line.nextHire ? forecastHours(use, daysOf(line.nextHire)).expected : 0,
    workMinutes: Number(work?.minutes ?? 0) + (unit.laid_up_at === null ? 0 : await wakeMinutesNow(db, unit.id, now())),
    ratings: await ratingsOfUnit(db, unit),
    comebacks: await countComebacks(db, unit.id, now()),
    kitPrices: await kitPricesOf(db, unit.class_id),
    notFitted: await notFittedTo(db, unit.id),
    unproved: await unprovedOf(db, unit.id),
    defects: await readDefects(db, unit.id),
    asksAgain: (await askedAgain(db, unit.id)).map(({ id, sentence, closed_how: how }) => ({
      id,
      sentence,
      how: how ?? 'not-found',
    })),
  };
}

const daysOf = (hire: { fromAt: string; toAt: string }): number =>
  (Date.parse(hire.toAt) - Date.parse(hire.fromAt)) / 86_400_000;

/** Checks for what this unit has not got. */
export const notFittedTo = async (db: Db, unitId: number): Promise<string[]> =>
  (
    await db
      .selectFrom('not_fitted')
      .select('check_id')
      .where('unit_id', '=', unitId)
      .where('ended_by', 'is', null)
      .execute()
  ).map((row) => row.check_id);

/** The newest check-in that stands, in the order in which they arrived: a stamp that lies ahead makes none the newest. */
export async function newestCheckInId(db: Db, unitId: number): Promise<string | null> {
  const row = await db
    .selectFrom('check_in as c')
    .innerJoin('log_entry as l', 'l.id', 'c.id')
    .select('c.id')
    .where('c.unit_id', '=', unitId)
    .where('c.stands', '=', true)
    .orderBy('l.place', 'desc')
    .limit(1)
    .executeTakeFirst();
  return row?.id ?? null;
}

/** How a unit went out on a hire, as the check-out's entry in the log has it. */
async function wentOut(db: Db, hireId: number): Promise<Opening['wentOut']> {
  const row = await db
    .selectFrom('check_out as o')
    .innerJoin('log_entry as l', 'l.id', 'o.id')
    .select(['l.kind', 'l.facts', 'l.outcome', 'o.at'])
    .where('o.hire_id', '=', hireId)
    .executeTakeFirst();
  if (row === undefined || !isOf(row, 'check-out')) return null;
  const { fuelEighths, kit } = row.facts;
  return { fuelEighths, kit, at: row.at.toISOString() };
}
