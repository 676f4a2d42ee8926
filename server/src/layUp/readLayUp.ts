import {
  faultOf,
  FUELS,
  LAY_UP_METHODS,
  MONEY,
  presentFault,
  type ClassId,
  type LayUpMethodId,
  methodsFor,
} from '@hudrik/core/catalogue';
import type { LayUpReply } from '@hudrik/core/contracts';
import { ethanolIn, litresOf, stateOf } from '@hudrik/core/fuel';
import {
  bandOf,
  breakEvens,
  costsOf,
  idleForecast,
  type LayUpPrices,
  type OwnWakes,
  type Season,
  type Standing,
} from '@hudrik/core/layUp';
import { sql } from 'kysely';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { readFuel, type FuelOfUnit } from '../fuel/unitFuel';
import { readAssigned } from '../hires/assigned';
import { readSettings } from '../people/settings';
import { isKept, standingService, wakeMinutes } from './wakeMinutes';

const DAY_MS = 86_400_000;
/** A fuel repair takes so long and so much in parts where the yard has done none (judgement). */
const REPAIR_MINUTES = 70;
const REPAIR_PARTS_CENTS = 3500;
/** Of so many of its own a yard's mean is as good as what is taken beforehand (judgement). */
const REPAIRS_WORTH = 5;
/** What is wanted within a week is said. */
const DUE_DAYS = 7;
/** Causes whose repair is a fuel repair. */
const FUEL_LANE = 'fuel';

type LayUpUnit = LayUpReply['units'][number];

/** Which units stand or will, how long, what each way of lay-up would cost, and how those woke that stood. */
export async function readLayUp({ db, now }: Pick<Context, 'db' | 'now'>): Promise<LayUpReply> {
  const at = now();
  const [seasons, prices, wakes] = [await readSeasons(db), await readPrices(db), await readWakes(db)];
  const own = ownWakes(wakes);
  const fuels = new Map((await readFuel(db)).map((fuel) => [fuel.unitId, fuel]));
  const nextHires = await nextHiresOf(db, at);
  const units = await unitsOf(db);
  const standing = await standingService(db, at);
  return {
    now: at.toISOString(),
    prices,
    seasons: [...seasons].flatMap(([classId, list]) => list.map((season) => ({ classId, ...season }))),
    units: units.flatMap((unit): LayUpUnit[] => {
      const fuel = fuels.get(unit.id);
      if (fuel === undefined) return [];
      const list = seasons.get(unit.class_id) ?? [];
      const nextHire = nextHires.get(unit.id) ?? null;
      const forecast = idleForecast(list, at, nextHire);
      if (forecast === null && unit.laid_up_at === null) return [];
      const stands = standingOf(fuel, forecast?.season.callOdds ?? 0, at);
      const methods = methodsFor(unit.class_id);
      const days = forecast?.expected ?? 0;
      return [
        {
          ...{ tag: unit.tag, classId: unit.class_id, readiness: unit.readiness, tank: fuel.tank },
          ethanol: stands.ethanol,
          callOdds: stands.callOdds,
          laidUp:
            unit.laid_up_at === null
              ? null
              : {
                  since: unit.laid_up_at.toISOString(),
                  method: unit.method,
                  days: (at.getTime() - unit.laid_up_at.getTime()) / DAY_MS,
                  due: (standing.get(unit.id) ?? []).flatMap((item) =>
                    isKept(item) && item.in <= DUE_DAYS ? [item.id] : [],
                  ),
                  wakeMinutes: wakeMinutes(unit.method, standing.get(unit.id) ?? [], nextHire, at),
                },
          forecast: forecast && {
            ...{ beginsIn: forecast.beginsIn, early: forecast.early, expected: forecast.expected, late: forecast.late },
            endsByHire: forecast.endsByHire,
          },
          nextHireAt: nextHire?.toISOString() ?? null,
          costs: costsOf(days, stands, prices, own, methods),
          breakEvens: breakEvens(stands, prices, own, methods),
          choice: unit.choice === null ? null : { method: unit.choice, reason: unit.reason ?? '' },
          hasJob: unit.has_job,
        },
      ];
    }),
    wakes,
  };
}

/** By unit: when its next hire begins, its own or one of its class that it is given. */
async function nextHiresOf(db: Db, at: Date): Promise<Map<number, Date>> {
  const given = (await readAssigned(db, at)).flatMap(({ unitId, next }) =>
    next === null ? [] : [[unitId, next.fromAt] as const],
  );
  const booked = await db
    .selectFrom('hire')
    .select('unit_id')
    .select((eb) => eb.fn.min('from_at').as('from'))
    .where('state', '=', 'booked')
    .where('unit_id', 'is not', null)
    .groupBy('unit_id')
    .execute();
  const hires = new Map<number, Date>(given);
  for (const { unit_id: id, from } of booked) {
    const known = hires.get(id ?? 0);
    if (known === undefined || from < known) hires.set(id ?? 0, from);
  }
  return hires;
}

const unitsOf = (db: Db) =>
  db
    .selectFrom('unit as u')
    .leftJoin('lay_up as l', (join) => join.onRef('l.unit_id', '=', 'u.id').on('l.woken_at', 'is', null))
    .leftJoin('lay_up_choice as c', 'c.unit_id', 'u.id')
    .select([
      'u.id',
      'u.tag',
      'u.class_id',
      'u.readiness',
      'u.laid_up_at',
      'l.method',
      'c.method as choice',
      'c.reason',
    ])
    .select(
      sql<boolean>`exists (select from job j where j.unit_id = u.id and j.kind = 'lay-up' and j.state in ('waiting', 'open'))`.as(
        'has_job',
      ),
    )
    .where('u.gone_at', 'is', null)
    .orderBy('u.tag')
    .execute();

function standingOf({ tank, passport }: FuelOfUnit, callOdds: number, at: Date): Standing {
  const state = stateOf(passport.blend, at.getTime());
  return {
    ...{ tankLitres: tank.litres, isMetal: tank.isMetal, hasTap: tank.hasTap, callOdds },
    // An empty tank is filled with what the pump has.
    ethanol:
      state === null || litresOf(passport.blend) === 0 ? FUELS.e10.ethanol : ethanolIn(passport.blend) / state.litres,
  };
}

async function readSeasons(db: Db): Promise<Map<ClassId, Season[]>> {
  const rows = await db.selectFrom('season').selectAll().orderBy('class_id').orderBy('from_day').execute();
  const seasons = new Map<ClassId, Season[]>();
  for (const { class_id: classId, from_day: from, to_day: to, call_odds: callOdds } of rows)
    seasons.set(classId, [...(seasons.get(classId) ?? []), { from, to, callOdds }]);
  return seasons;
}

/** What the yard pays: its hour, its stabiliser, and what its own fuel repairs took. */
async function readPrices(db: Db): Promise<LayUpPrices & { readonly stabiliserMl: number }> {
  const settings = await readSettings(db);
  const perMinute = (settings.centsPerHour ?? MONEY.centsPerHour.value) / 60;
  const { count, minutes } = await ownFuelRepairs(db);
  const usual = REPAIR_MINUTES * perMinute;
  const shrunk = (REPAIRS_WORTH * usual + count * minutes * perMinute) / (REPAIRS_WORTH + count);
  return {
    perMinute,
    repair: Math.round(shrunk + REPAIR_PARTS_CENTS),
    litre: { e0: FUELS.e0.centsPerLitre, alkylate: FUELS.alkylate.centsPerLitre },
    stabiliserPerLitre: settings.stabiliserMl * settings.stabiliserCents,
    stabiliserMl: settings.stabiliserMl,
  };
}

/** Repairs whose proven cause lies in the fuel: how many, and the minutes of one. */
async function ownFuelRepairs(db: Db): Promise<{ readonly count: number; readonly minutes: number }> {
  const rows = await db
    .selectFrom('proven_cause as p')
    .innerJoin('finding as f', 'f.id', 'p.finding_id')
    .innerJoin('job as j', 'j.id', 'f.job_id')
    .select(['p.faults', 'j.minutes'])
    .execute();
  const own = rows.filter(({ faults }) => faults.some((id) => faultOf(presentFault(id))?.lane === FUEL_LANE));
  return { count: own.length, minutes: own.reduce((sum, { minutes }) => sum + minutes, 0) / Math.max(own.length, 1) };
}

type Wake = LayUpReply['wakes'][number];

/** How units woke, by method, ethanol and idle band. */
async function readWakes(db: Db): Promise<Wake[]> {
  const rows = await db
    .selectFrom('lay_up')
    .select(['method', 'had_ethanol', 'failed'])
    .select(sql<number>`(extract(epoch from woken_at - laid_up_at) / 86400)::float8`.as('days'))
    .where('failed', 'is not', null)
    .execute();
  const wakes = new Map<string, Wake>();
  for (const { method, had_ethanol: hasEthanol, failed, days } of rows) {
    const band = bandOf(days);
    const key = `${method} ${hasEthanol} ${band}`;
    const { tries, failed: before } = wakes.get(key) ?? { tries: 0, failed: 0 };
    wakes.set(key, { method, hasEthanol, band, tries: tries + 1, failed: before + Number(failed) });
  }
  return [...wakes.values()];
}

function ownWakes(wakes: readonly Wake[]): OwnWakes {
  const known = new Map(wakes.map((wake) => [`${wake.method} ${wake.hasEthanol} ${wake.band}`, wake]));
  return (method: LayUpMethodId, hasEthanol: boolean, band: number) =>
    known.get(`${method} ${hasEthanol} ${band}`) ?? { tries: 0, failed: 0 };
}

export const nameOf = (method: LayUpMethodId): string => LAY_UP_METHODS[method].name;
