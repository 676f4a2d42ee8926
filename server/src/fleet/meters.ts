import { isImpossible, learnUseRate, readMeter, type UseRate } from '@hudrik/core/hours';
import { classOf } from '@hudrik/core/catalogue';
import type { Facts } from '@hudrik/core/log';
import { sql } from 'kysely';
import type { Db, Trx, UnitRow } from '../database/tables';
import { refuse } from '../refusal';
import { stands } from './stands';

export interface LastReading {
  readonly meterId: number;
  readonly meterOrdinal: number;
  readonly offsetHours: number;
  readonly readingId: number;
  readonly reading: number;
  readonly trueHours: number;
  readonly readAt: Date;
}

/** The newest reading of the unit's present meter that no later record corrects. */
export async function lastReading(db: Db, unitId: number): Promise<LastReading> {
  const row = await db
    .selectFrom('meter_reading as r')
    .innerJoin('meter as m', 'm.id', 'r.meter_id')
    .select([
      'm.id as meterId',
      'm.ordinal as meterOrdinal',
      'm.offset_hours as offsetHours',
      'r.id as readingId',
      'r.reading',
      'r.true_hours as trueHours',
      'r.read_at as readAt',
    ])
    .where('r.unit_id', '=', unitId)
    .where(stands('r'))
    .orderBy('r.stands_for', 'desc')
    .limit(1)
    .executeTakeFirst();
  if (row === undefined) throw new Error(`Unit ${unitId} has no reading`);
  return row;
}

/** How hard the unit is worked: hours and days of its ended hires, shrunk to its class. */
export async function rateOfUse(db: Db, unit: Pick<UnitRow, 'id' | 'class_id'>): Promise<UseRate> {
  const hires = await db
    .selectFrom('hire as h')
    .innerJoin('check_out as o', 'o.hire_id', 'h.id')
    .innerJoin('meter_reading as ro', 'ro.id', 'o.reading_id')
    .innerJoin('check_in as i', 'i.hire_id', 'h.id')
    .innerJoin('meter_reading as ri', 'ri.id', 'i.reading_id')
    .select(sql<number>`greatest(ri.true_hours - ro.true_hours, 0)`.as('hours'))
    .select(sql<number>`greatest(extract(epoch from (h.ended_at - h.out_at)) / 86400, 0.5)::float8`.as('days'))
    .where('h.unit_id', '=', unit.id)
    .where('h.state', '=', 'ended')
    .where('i.second_look_of', 'is', null)
    .orderBy('h.ended_at', 'desc')
    .limit(12)
    .execute();
  return learnUseRate(classOf(unit.class_id).use, hires);
}

type HoursEntry = Facts<'check-in'>['hours'];

export interface TakenReading {
  readonly readingId: number;
  readonly reading: number;
  readonly trueHours: number;
  readonly hoursRun: number;
  /** How unusual the reading was, as one in so many; 0 when it was not. */
  readonly unusualOneIn: number;
}

interface Taking {
  readonly unit: UnitRow;
  readonly entry: HoursEntry;
  readonly at: Date;
  readonly hireDays: number;
}

/** Takes a reading: refused when it makes no sense and nobody stands by it; a new or rolled meter is fitted first. */
export async function takeReading(trx: Trx, { unit, entry, at, hireDays }: Taking): Promise<TakenReading> {
  const last = await lastReading(trx, unit.id);
  const event = entry.meterEvent;
  if ((event?.oldReading ?? last.reading) < last.reading) refuse('hours-below-last', { lastReading: last.reading });
  if (event?.kind === 'rolled-over' && event.rollsAt === undefined)
    refuse('not-valid', { field: 'hours.meterEvent.rollsAt' });
  const read = readMeter(entry.typed, { lastReading: last.reading, offsetHours: last.offsetHours }, event, {
    clockHours: (at.getTime() - last.readAt.getTime()) / 3_600_000,
    hireDays,
    use: await rateOfUse(trx, unit),
  });
  const { findings, suggestions, hoursRun } = read.assessment;
  const finding = findings[0];
  if (finding?.code === 'below-last' || finding?.code === 'below-fitted')
    refuse('hours-below-last', { lastReading: last.reading, finding, suggestions });
  if (finding !== undefined && (isImpossible(finding) || !entry.confirmed))
    refuse('hours-not-plausible', { finding, suggestions });
  const meterId = event
    ? await fitMeter(trx, last, { unitId: unit.id, why: event.kind, at, ...read.meter })
    : last.meterId;
  const reading = Number(entry.typed);
  const { id } = await trx
    .insertInto('meter_reading')
    .values({
      meter_id: meterId,
      unit_id: unit.id,
      reading,
      true_hours: read.trueHours,
      read_at: at,
      corrects_id: null,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  const unusual = finding?.code === 'unusually-high' || finding?.code === 'unusually-low' ? finding.oneIn : 0;
  return { readingId: id, reading, trueHours: read.trueHours, hoursRun, unusualOneIn: unusual };
}

interface Fitting {
  readonly unitId: number;
  readonly why: 'replaced' | 'rolled-over';
  readonly at: Date;
  readonly offsetHours: number;
}

async function fitMeter(trx: Trx, last: LastReading, { unitId, why, at, offsetHours }: Fitting): Promise<number> {
  const { id } = await trx
    .insertInto('meter')
    .values({
      unit_id: unitId,
      ordinal: last.meterOrdinal + 1,
      offset_hours: offsetHours,
      fitted_at: at,
      fitted_why: why,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  return id;
}

/** True hours as they were known at a time; null before the first reading. */
export async function trueHoursAt(db: Db, unitId: number, at: Date): Promise<number | null> {
  const row = await db
    .selectFrom('meter_reading as r')
    .select('r.true_hours')
    .where('r.unit_id', '=', unitId)
    .where('r.read_at', '<=', at)
    .where(stands('r'))
    .orderBy('r.stands_for', 'desc')
    .limit(1)
    .executeTakeFirst();
  return row?.true_hours ?? null;
}
