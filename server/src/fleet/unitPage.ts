import { OPEN_JOB_STATES } from '@hudrik/core/card';
import { forecastHours, meanHoursPerDay } from '@hudrik/core/hours';
import type { UnitPage } from '@hudrik/core/contracts';
import { HIRE_DAYS, SHARE_OUT } from '@hudrik/core/service';
import { HIRES_GOING_ON, HIRES_PROMISED } from '@hudrik/core/states';
import { newestCheckInId } from '../checkins/opening';
import { verdictOf } from '../checkins/readCheckIn';
import type { Context } from '../context';
import { readDefects } from '../defects/readDefects';
import { hireRows, toHireLine } from '../hires/hireLines';
import { jobRows, toJobLine } from '../jobs/jobLines';
import { ratingsOfUnit } from './models';
import { lastReading, rateOfUse } from './meters';
import { stands } from './stands';
import { toUnitLine, unitRows } from './unitLines';
import { unitByTag } from './units';

/** Everything the unit's screen shows but its history. */
export async function readUnitPage({ db }: Pick<Context, 'db'>, tag: string): Promise<UnitPage> {
  const unit = await unitByTag(db, tag);
  const line = toUnitLine(await unitRows(db).where('u.id', '=', unit.id).executeTakeFirstOrThrow());
  const reading = await lastReading(db, unit.id);
  const use = await rateOfUse(db, unit);
  const hires = (
    await hireRows(db)
      .where('h.unit_id', '=', unit.id)
      .where('h.state', 'in', HIRES_PROMISED)
      .orderBy('h.from_at')
      .limit(12)
      .execute()
  ).map(toHireLine);
  const jobs = (
    await jobRows(db).where('j.unit_id', '=', unit.id).where('j.state', 'in', OPEN_JOB_STATES).execute()
  ).map(toJobLine);
  const checkInId = await newestCheckInId(db, unit.id);
  const reasons = checkInId === null ? [] : ((await verdictOf(db, checkInId))?.reasons ?? []);
  const readings = await db
    .selectFrom('meter_reading as r')
    .select(['r.read_at', 'r.true_hours'])
    .where('r.unit_id', '=', unit.id)
    .where(stands('r'))
    .orderBy('r.stands_for', 'desc')
    .limit(40)
    .execute();
  return {
    unit: line,
    ratings: await ratingsOfUnit(db, unit),
    fuelEighths: unit.fuel_eighths,
    meter: { reading: reading.reading, offsetHours: reading.offsetHours, readAt: reading.readAt.toISOString() },
    hire: hires.find((hire) => HIRES_GOING_ON.includes(hire.state)) ?? null,
    hires: hires.filter((hire) => hire.state === 'booked'),
    jobs,
    defects: await readDefects(db, unit.id),
    reasons: reasons.map((reason) => ({ ...reason, origin: { ...reason.origin } })),
    use: {
      hoursPerDay: Math.round(meanHoursPerDay(use) * 10) / 10,
      in30Days: forecastHours(use, 30 * SHARE_OUT.value, (30 * SHARE_OUT.value) / HIRE_DAYS.value),
    },
    readings: readings.reverse().map((row) => ({ at: row.read_at.toISOString(), trueHours: row.true_hours })),
  };
}
