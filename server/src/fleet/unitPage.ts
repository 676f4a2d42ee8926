import { OPEN_JOB_STATES } from '@hudrik/core/card';
import { forecastHours, meanHoursPerDay } from '@hudrik/core/hours';
import type { UnitPage } from '@hudrik/core/contracts';
import { HIRE_DAYS, SHARE_OUT } from '@hudrik/core/service';
import { HIRES_GOING_ON, HIRES_PROMISED } from '@hudrik/core/states';
import { newestCheckInId } from '../checkins/opening';
import { verdictOf } from '../checkins/readCheckIn';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { readDefects } from '../defects/readDefects';
import { hireRows, toHireLine } from '../hires/hireLines';
import { jobRows, toJobLine } from '../jobs/jobLines';
import { ratingsOfUnit } from './models';
import { lastReading, rateOfUse } from './meters';
import { stands } from './stands';
import { toUnitLine, unitRows } from './unitLines';
import { unitByTag } from './units';

/** Everything the unit's screen shows but its history. What does not hang on another is asked for side by side: under load each wait is long. */
export async function readUnitPage({ db }: Pick<Context, 'db'>, tag: string): Promise<UnitPage> {
  const unit = await unitByTag(db, tag);
  const [line, ratings, reading, use, hires, jobs, defects, reasons, readings] = await Promise.all([
    unitRows(db).where('u.id', '=', unit.id).executeTakeFirstOrThrow(),
    ratingsOfUnit(db, unit),
    lastReading(db, unit.id),
    rateOfUse(db, unit),
    hireRows(db)
      .where('h.unit_id', '=', unit.id)
      .where('h.state', 'in', HIRES_PROMISED)
      .orderBy('h.from_at')
      .limit(12)
      .execute(),
    jobRows(db).where('j.unit_id', '=', unit.id).where('j.state', 'in', OPEN_JOB_STATES).execute(),
    readDefects(db, unit.id),
    reasonsOf(db, unit.id),
    readingsOf(db, unit.id),
  ]);
  const hireLines = hires.map(toHireLine);
  return {
    unit: toUnitLine(line),
    ratings,
    fuelEighths: unit.fuel_eighths,
    meter: { reading: reading.reading, offsetHours: reading.offsetHours, readAt: reading.readAt.toISOString() },
    hire: hireLines.find((hire) => HIRES_GOING_ON.includes(hire.state)) ?? null,
    hires: hireLines.filter((hire) => hire.state === 'booked'),
    jobs: jobs.map(toJobLine),
    defects,
    reasons,
    use: {
      hoursPerDay: Math.round(meanHoursPerDay(use) * 10) / 10,
      in30Days: forecastHours(use, 30 * SHARE_OUT.value, (30 * SHARE_OUT.value) / HIRE_DAYS.value),
    },
    readings,
  };
}

/** Why it stands as it does: the reasons of its newest check-in's verdict. */
async function reasonsOf(db: Db, unitId: number): Promise<UnitPage['reasons']> {
  const checkInId = await newestCheckInId(db, unitId);
  const reasons = checkInId === null ? [] : ((await verdictOf(db, checkInId))?.reasons ?? []);
  return reasons.map((reason) => ({ ...reason, origin: { ...reason.origin } }));
}

/** The newest forty, oldest first. */
async function readingsOf(db: Db, unitId: number): Promise<UnitPage['readings']> {
  const rows = await db
    .selectFrom('meter_reading as r')
    .select(['r.read_at', 'r.true_hours'])
    .where('r.unit_id', '=', unitId)
    .where(stands('r'))
    .orderBy('r.stands_for', 'desc')
    .limit(40)
    .execute();
  return rows.reverse().map((row) => ({ at: row.read_at.toISOString(), trueHours: row.true_hours }));
}
