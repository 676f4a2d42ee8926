import { MONEY, type ClassId } from '@hudrik/core/catalogue';
import { sql } from 'kysely';
import type { Db } from '../database/tables';

/** How far ahead bookings are looked at, days. */
const AHEAD_DAYS = 14;
const DAY_MS = 86_400_000;

export interface Demand {
  /** Share of the coming days that a unit of the class is out; null: nothing is booked, and no year ago is known. */
  readonly share: number | null;
  readonly booked: number;
  readonly lastYear: number | null;
}

/** How sought a class is: by what is booked for the coming days, and by how it was out at this time last year; the more of the two. */
export async function demandFor(db: Db, classId: ClassId, now: Date): Promise<Demand> {
  const { count } = await db
    .selectFrom('unit')
    .select(({ fn }) => fn.countAll<number>().as('count'))
    .where('class_id', '=', classId)
    .where('readiness', 'not in', ['gone', 'laid-up'])
    .executeTakeFirstOrThrow();
  const units = Math.max(Number(count), 1);
  const ahead = new Date(now.getTime() + AHEAD_DAYS * DAY_MS);
  const booked = Math.min((await bookedDays(db, classId, now, ahead)) / (units * AHEAD_DAYS), 1);
  const lastYear = await shareLastYear(db, classId, units, now);
  const share = Math.max(booked, lastYear ?? 0);
  return { share: lastYear === null && booked === 0 ? null : share, booked, lastYear };
}

async function bookedDays(db: Db, classId: ClassId, from: Date, to: Date): Promise<number> {
  const { days } = await db
    .selectFrom('hire')
    .select(
      sql<number>`coalesce(sum(extract(epoch from least(to_at, ${to}) - greatest(from_at, ${from}))), 0)::float8 / 86400`.as(
        'days',
      ),
    )
    .where('class_id', '=', classId)
    .where('state', 'in', ['booked', 'out', 'back'])
    .where('from_at', '<', to)
    .where('to_at', '>', from)
    .executeTakeFirstOrThrow();
  return days;
}

/** Share of days out about this day last year; null where the yard kept no hires then. */
async function shareLastYear(db: Db, classId: ClassId, units: number, now: Date): Promise<number | null> {
  const span = MONEY.seasonDays.value * DAY_MS;
  const middle = now.getTime() - 365 * DAY_MS;
  const [from, to] = [new Date(middle - span), new Date(middle + span)];
  const { days, first } = await db
    .selectFrom('hire')
    .select([
      sql<number>`coalesce(sum(extract(epoch from least(coalesce(ended_at, to_at), ${to}) - greatest(out_at, ${from})))
        filter (where out_at < ${to} and coalesce(ended_at, to_at) > ${from}), 0)::float8 / 86400`.as('days'),
      sql<Date | null>`min(out_at)`.as('first'),
    ])
    .where('class_id', '=', classId)
    .where('out_at', 'is not', null)
    .executeTakeFirstOrThrow();
  if (first === null || first > from) return null;
  return Math.min(days / (units * 2 * MONEY.seasonDays.value), 1);
}
