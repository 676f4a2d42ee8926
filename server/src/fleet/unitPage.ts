import { OPEN_JOB_STATES } from '@hudrik/core/card';
import { forecastHours, meanHoursPerDay } from '@hudrik/core/hours';
import type { UnitPage } from '@hudrik/core/contracts';
import { HIRE_DAYS, SHARE_OUT } from '@hudrik/core/service';
import { HIRES_GOING_ON, HIRES_PROMISED } from '@hudrik/core/states';
import { unprovedOf } from '../cards/unproved';
import { newestCheckInId } from '../checkins/opening';
import { verdictOf } from '../checkins/readCheckIn';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { readDefects } from '../defects/readDefects';
import { figuresToConfirm } from '../figures/figuresToConfirm';
import { hireRows, toHireLine } from '../hires/hireLines';
import { jobRows, toJobLine } from '../jobs/jobLines';
import { ratingsOfUnit } from './models';
import { lastReading, rateOfUse } from './meters';
import { stands } from './stands';
import { toUnitLine, unitRows } from './unitLines';
import { readLevel } from '../fuel/unitFuel';
import { unitByTag } from './units';

/** Everything the unit's screen shows but its history. What does not hang on another is asked for side by side: under load each wait is long. */
export async function readUnitPage({ db }: Pick<Context, 'db'>, tag: string): Promise<UnitPage> {
  const unit = await unitByTag(db, tag);
  const [line, ratings, reading, use, hires, jobs, defects, reasons, readings, unproved, toConfirm, notFitted, fuel] =
    await Promise.all([
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
      unprovedOf(db, unit.id),
      figuresToConfirm(db, unit),
      exemptionsOf(db, unit.id),
      readLevel(db, unit.id),
    ]);
  const hireLines = hires.map(toHireLine);
  return {
    unit: toUnitLine(line),
    ratings,
    fuel,
    meter: { reading: reading.reading, offsetHours: reading.offsetHours, readAt: reading.readAt.toISOString() },
    hire: hireLines.find((hire) => HIRES_GOING_ON.includes(hire.state)) ?? null,
    hires: hireLines.filter((hire) => hire.state === 'booked'),
    jobs: jobs.map(toJobLine),
    defects,
    reasons,
    ...{ unproved, toConfirm, notFitted },
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

/** What a lead said that it has not got. */
async function exemptionsOf(db: Db, unitId: number): Promise<UnitPage['notFitted']> {
  const rows = await db
    .selectFrom('not_fitted as n')
    .innerJoin('log_entry as l', 'l.id', 'n.entry_id')
    .leftJoin('person as p', 'p.id', 'l.person_id')
    .select(['n.check_id', 'l.at', 'p.name'])
    .select((eb) => eb.ref('l.facts', '->>').key('why').as('why'))
    .where('n.unit_id', '=', unitId)
    .where('n.ended_by', 'is', null)
    .orderBy('l.place')
    .execute();
  return rows.map(({ check_id: check, at, name, why }) => ({
    ...{ check, why: String(why), by: name, at: at.toISOString() },
  }));
}
