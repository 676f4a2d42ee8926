import { OPEN_JOB_STATES } from '@hudrik/core/card';
import { SERVICE_PLANS, stepsOfService } from '@hudrik/core/catalogue';
import type { ServiceItemState, UnitService } from '@hudrik/core/contracts';
import { meanHoursPerDay } from '@hudrik/core/hours';
import {
  doneBySteps,
  fallsDueIn,
  groupVisits,
  intervalDays,
  itemState,
  runsOutDuring,
  shareOnHire,
  type Moment,
} from '@hudrik/core/service';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { lastReading, rateOfUse } from '../fleet/meters';
import { unitByTag } from '../fleet/units';
import { cameAt, doneOf } from './serviceDone';

/** What is done together is laid out so far ahead. */
const HORIZON_DAYS = 120;
const DAY_MS = 86_400_000;

/** Each item of a unit's plan: done, due, when it will be; and what is best done together, and when. */
export async function readUnitService({ db, now }: Pick<Context, 'db' | 'now'>, tag: string): Promise<UnitService> {
  const unit = await unitByTag(db, tag);
  const plan = SERVICE_PLANS[unit.class_id];
  const came = await cameAt(db, unit.id);
  const done = await doneOf(db, unit.id);
  const use = await rateOfUse(db, unit);
  const share = shareOnHire(...(await daysOnHire(db, unit.id, came.at, now())));
  const hires = await promisedHires(db, unit.id);
  const jobs = (await openJobs(db, unit.id)).map(({ id, work }) => ({
    id,
    does: doneBySteps(stepsOfService(work), plan.items),
  }));
  const moment = { trueHours: (await lastReading(db, unit.id)).trueHours, at: now() };
  const items = plan.items.map((item): ServiceItemState => {
    const state = itemState({ item, done: done.get(item.id) ?? null, came }, moment);
    const job = jobs.find(({ does }) => does.includes(item.id));
    return {
      ...state,
      done: state.done && told(state.done),
      dueAt: state.dueAt?.toISOString() ?? null,
      fallsDueIn: fallsDueIn(state, use, share),
      runsOutDuring: runsOutDuring(state, hires, meanHoursPerDay(use)),
      jobId: job === undefined ? null : String(job.id),
    };
  });
  const hoursPerDay = meanHoursPerDay(use) * share;
  const { visits, saved } = groupVisits(
    plan.items.flatMap(({ id, every, minutes }) => {
      const state = items.find((item) => item.id === id);
      const dueIn = state?.fallsDueIn.expected ?? Infinity;
      if (state?.jobId !== null || dueIn > HORIZON_DAYS) return [];
      return [{ id, dueIn, interval: intervalDays(every, hoursPerDay), minutes }];
    }),
    await hasOpenVisit(db, unit.id),
  );
  return {
    tag: unit.tag,
    classId: unit.class_id,
    planVersion: plan.version,
    came: told(came),
    hoursPerDay,
    items: items.sort((a, b) => a.fallsDueIn.expected - b.fallsDueIn.expected || a.share - b.share),
    visits: visits.map(({ inDays, ids }) => ({ inDays, ids: [...ids] })),
    savedMinutes: Math.round(saved),
  };
}

const told = ({ trueHours, at }: Moment) => ({ trueHours, at: at.toISOString() });

/** Of the last year, or since it came: days on the books, and days of them on hire. */
async function daysOnHire(db: Db, unitId: number, came: Date, at: Date): Promise<[days: number, daysOut: number]> {
  const from = new Date(Math.max(came.getTime(), at.getTime() - 365 * DAY_MS));
  const rows = await db
    .selectFrom('hire')
    .select(['out_at', 'ended_at', 'back_at'])
    .where('unit_id', '=', unitId)
    .where('out_at', 'is not', null)
    .where((eb) => eb.or([eb('back_at', 'is', null), eb('back_at', '>', from)]))
    .execute();
  const span = ({ out_at: out, ended_at: ended, back_at: back }: (typeof rows)[number]): number =>
    Math.max((back ?? ended ?? at).getTime() - Math.max(out?.getTime() ?? 0, from.getTime()), 0);
  return [(at.getTime() - from.getTime()) / DAY_MS, rows.reduce((sum, row) => sum + span(row), 0) / DAY_MS];
}

/** The hire that it is out on, whose hours no meter has told yet, and those that it is booked for. */
const promisedHires = (db: Db, unitId: number) =>
  db
    .selectFrom('hire')
    .select(['reference', 'from_at as fromAt', 'to_at as toAt'])
    .where('unit_id', '=', unitId)
    .where('state', 'in', ['out', 'booked'])
    .orderBy('from_at')
    .execute();

/** Of open services. */
const openJobs = (db: Db, unitId: number) =>
  db
    .selectFrom('job')
    .select(['id', 'work'])
    .where('unit_id', '=', unitId)
    .where('kind', '=', 'service')
    .where('state', 'in', OPEN_JOB_STATES)
    .execute();

async function hasOpenVisit(db: Db, unitId: number): Promise<boolean> {
  const visit = await db
    .selectFrom('visit')
    .select('id')
    .where('unit_id', '=', unitId)
    .where('ended_at', 'is', null)
    .executeTakeFirst();
  return visit !== undefined;
}
