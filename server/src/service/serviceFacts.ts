import { OPEN_JOB_STATES } from '@hudrik/core/card';
import { classOf, MONEY, type ClassId } from '@hudrik/core/catalogue';
import { learnUseRate, type UseRate } from '@hudrik/core/hours';
import type { Readiness } from '@hudrik/core/readiness';
import { shareOnHire, type Moment, type UnitPlan } from '@hudrik/core/service';
import { sql } from 'kysely';
import type { Db } from '../database/tables';
import { stands } from '../fleet/stands';
import { readSettings } from '../people/settings';
import { ownPlans, planIn } from './modelPlans';

const DAY_MS = 86_400_000;
/** Hires of so long ago tell nothing of how sought a unit is now. */
const YEAR_DAYS = 365;
/** So many of its newest hires tell how hard a unit is worked. */
const HIRES_TOLD = 12;

/** A hire that it is out on, whose hours no meter has told yet, or that it is booked for. */
interface PromisedHire {
  readonly reference: string;
  readonly fromAt: Date;
  readonly toAt: Date;
}

/** All that the service of a unit hangs on. */
export interface ServiceFacts {
  readonly unitId: number;
  readonly tag: string;
  readonly classId: ClassId;
  readonly readiness: Readiness;
  /** Its model's hours shrink by it. */
  readonly severity: number;
  /** When it came to the yard, and with how many hours. */
  readonly came: Moment;
  readonly trueHours: number;
  /** What was done last, by item. */
  readonly done: ReadonlyMap<string, Moment>;
  readonly use: UseRate;
  /** Of its days it is out so many. */
  readonly share: number;
  readonly hires: readonly PromisedHire[];
  readonly jobs: readonly { readonly id: number; readonly work: string }[];
  readonly hasVisit: boolean;
  /** What it is serviced by. */
  readonly plan: UnitPlan;
  /** What kits cost, as minutes at the bench, by number. */
  readonly kitMinutes: ReadonlyMap<string, number>;
}

/** Of one unit, or of all that are not gone: read at once, whoever many there are. */
export async function readServiceFacts(db: Db, at: Date, unitId?: number): Promise<ServiceFacts[]> {
  const units = await unitsOf(db, unitId);
  const plans = await ownPlans(db);
  const [kitMinutes, readings, afar, done, uses, out, hires, jobs, visits] = await Promise.all([
    minutesOfKits(db, plans),
    firstAndLast(db, unitId),
    hoursFromAfar(db, unitId),
    doneLast(db, unitId),
    usesOf(db, unitId),
    daysOut(db, at, unitId),
    promised(db, unitId),
    serviceJobs(db, unitId),
    openVisits(db, unitId),
  ]);
  return units.flatMap(({ id, tag, class_id: classId, model_id: modelId, readiness, severity }): ServiceFacts[] => {
    const reading = readings.get(id)?.[0];
    // A unit that is just being added has none yet.
    if (reading === undefined) return [];
    const came = { trueHours: reading.first_hours, at: reading.first_at };
    const days = Math.min((at.getTime() - came.at.getTime()) / DAY_MS, YEAR_DAYS);
    const items = (done.get(id) ?? []).map((row) => [row.item, { trueHours: row.true_hours, at: row.at }] as const);
    return [
      {
        ...{ unitId: id, tag, classId, readiness, severity, came, trueHours: newestHours(reading, afar.get(id)?.[0]) },
        done: new Map(items),
        use: learnUseRate(classOf(classId).use, uses.get(id) ?? []),
        share: shareOnHire(Math.max(days, 0), out.get(id)?.[0]?.days ?? 0),
        hires: hires.get(id) ?? [],
        jobs: jobs.get(id) ?? [],
        hasVisit: visits.has(id),
        plan: planIn(plans, classId, modelId, severity),
        kitMinutes,
      },
    ];
  });
}

/** What the kits of models' plans cost, in minutes of the yard's bench; one whose number leads nowhere costs nothing. */
async function minutesOfKits(db: Db, plans: Awaited<ReturnType<typeof ownPlans>>): Promise<ServiceFacts['kitMinutes']> {
  const kits = [...plans.values()].flatMap(({ plan }) => plan.items.flatMap(({ kit }) => kit ?? []));
  if (kits.length === 0) return new Map();
  const perMinute = ((await readSettings(db)).centsPerHour ?? MONEY.centsPerHour.value) / 60;
  const parts = await db.selectFrom('part').select(['number', 'cents']).where('number', 'in', kits).execute();
  return new Map(parts.map(({ number, cents }) => [number, cents / perMinute]));
}

/** What was read last, or what its machine told since, where that is more. */
const newestHours = (
  read: { readonly last_hours: number; readonly last_at: Date },
  told: { readonly true_hours: number; readonly read_at: Date } | undefined,
): number => (told && told.read_at > read.last_at ? Math.max(told.true_hours, read.last_hours) : read.last_hours);

const hoursFromAfar = async (db: Db, unitId?: number) =>
  byUnit(
    await db
      .selectFrom('afar_reading')
      .distinctOn('unit_id')
      .select(['unit_id', 'read_at', 'true_hours'])
      .where('problem', 'is', null)
      .$if(unitId !== undefined, (query) => query.where('unit_id', '=', unitId ?? 0))
      .orderBy('unit_id')
      .orderBy('read_at', 'desc')
      .execute(),
  );

type ByUnit<T> = Map<number, T[]>;

function byUnit<T extends { readonly unit_id: number | null }>(rows: readonly T[]): ByUnit<T> {
  const units: ByUnit<T> = new Map();
  for (const row of rows) {
    const own = units.get(row.unit_id ?? 0);
    if (own) own.push(row);
    else units.set(row.unit_id ?? 0, [row]);
  }
  return units;
}

const unitsOf = (db: Db, unitId?: number) =>
  db
    .selectFrom('unit')
    .select(['id', 'tag', 'class_id', 'model_id', 'readiness', 'severity'])
    .$if(unitId !== undefined, (query) => query.where('id', '=', unitId ?? 0))
    .$if(unitId === undefined, (query) => query.where('readiness', '<>', 'gone'))
    .orderBy('tag')
    .execute();

/** True hours of the first and the last reading that stand; and when the first was made. */
async function firstAndLast(db: Db, unitId?: number) {
  const rows = await db
    .selectFrom('meter_reading as r')
    .innerJoin('meter_reading as made', 'made.id', 'r.stands_for')
    .where(stands('r'))
    .$if(unitId !== undefined, (query) => query.where('r.unit_id', '=', unitId ?? 0))
    .groupBy('r.unit_id')
    .select('r.unit_id')
    .select([
      sql<number>`(array_agg(r.true_hours order by r.stands_for))[1]::float8`.as('first_hours'),
      sql<Date>`(array_agg(made.read_at order by r.stands_for))[1]`.as('first_at'),
      sql<number>`(array_agg(r.true_hours order by r.stands_for desc))[1]::float8`.as('last_hours'),
      sql<Date>`(array_agg(made.read_at order by r.stands_for desc))[1]`.as('last_at'),
    ])
    .execute();
  return byUnit(rows);
}

const doneLast = async (db: Db, unitId?: number) =>
  byUnit(
    await db
      .selectFrom('service_done')
      .distinctOn(['unit_id', 'item'])
      .select(['unit_id', 'item', 'true_hours', 'at'])
      .$if(unitId !== undefined, (query) => query.where('unit_id', '=', unitId ?? 0))
      .orderBy('unit_id')
      .orderBy('item')
      .orderBy('at', 'desc')
      .execute(),
  );

/** Hours and days of each unit's newest ended hires. */
async function usesOf(db: Db, unitId?: number) {
  const rows = await db
    .with('told', (with_) =>
      with_
        .selectFrom('hire as h')
        .innerJoin('check_out as o', 'o.hire_id', 'h.id')
        .innerJoin('meter_reading as ro', 'ro.id', 'o.reading_id')
        .innerJoin('check_in as i', 'i.hire_id', 'h.id')
        .innerJoin('meter_reading as ri', 'ri.id', 'i.reading_id')
        .select('h.unit_id')
        .select([
          sql<number>`greatest(ri.true_hours - ro.true_hours, 0)::float8`.as('hours'),
          sql<number>`greatest(extract(epoch from (h.ended_at - h.out_at)) / 86400, 0.5)::float8`.as('days'),
          sql<number>`row_number() over (partition by h.unit_id order by h.ended_at desc)`.as('nth'),
        ])
        .$if(unitId !== undefined, (query) => query.where('h.unit_id', '=', unitId ?? 0))
        .where('h.state', '=', 'ended')
        .where('i.second_look_of', 'is', null),
    )
    .selectFrom('told')
    .select(['unit_id', 'hours', 'days'])
    .where('nth', '<=', HIRES_TOLD)
    .orderBy('nth')
    .execute();
  return byUnit(rows);
}

/** Days of the last year on which each unit was out. */
async function daysOut(db: Db, at: Date, unitId?: number) {
  const from = new Date(at.getTime() - YEAR_DAYS * DAY_MS);
  const rows = await db
    .selectFrom('hire')
    .select('unit_id')
    .select(
      sql<number>`sum(greatest(extract(epoch from coalesce(back_at, ended_at, ${at}) - greatest(out_at, ${from})), 0))::float8 / 86400`.as(
        'days',
      ),
    )
    .where('unit_id', 'is not', null)
    .where('out_at', 'is not', null)
    .where((eb) => eb.or([eb('back_at', 'is', null), eb('back_at', '>', from)]))
    .$if(unitId !== undefined, (query) => query.where('unit_id', '=', unitId ?? 0))
    .groupBy('unit_id')
    .execute();
  return byUnit(rows);
}

const promised = async (db: Db, unitId?: number) =>
  byUnit(
    await db
      .selectFrom('hire')
      .select(['unit_id', 'reference', 'from_at as fromAt', 'to_at as toAt'])
      .where('unit_id', 'is not', null)
      .where('state', 'in', ['out', 'booked'])
      .$if(unitId !== undefined, (query) => query.where('unit_id', '=', unitId ?? 0))
      .orderBy('from_at')
      .execute(),
  );

const serviceJobs = async (db: Db, unitId?: number) =>
  byUnit(
    await db
      .selectFrom('job')
      .select(['unit_id', 'id', 'work'])
      .where('kind', '=', 'service')
      .where('state', 'in', OPEN_JOB_STATES)
      .$if(unitId !== undefined, (query) => query.where('unit_id', '=', unitId ?? 0))
      .execute(),
  );

const openVisits = async (db: Db, unitId?: number) =>
  byUnit(
    await db
      .selectFrom('visit')
      .select('unit_id')
      .where('ended_at', 'is', null)
      .$if(unitId !== undefined, (query) => query.where('unit_id', '=', unitId ?? 0))
      .execute(),
  );
