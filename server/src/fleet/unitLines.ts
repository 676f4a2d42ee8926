import { CLASS_IDS, ENGINE_OIL, engineOilOf, SERVICE_PLANS, type ClassId } from '@hudrik/core/catalogue';
import type { UnitLine, UnitsReply } from '@hudrik/core/contracts';
import { roundTenth } from '@hudrik/core/hours';
import type { Readiness } from '@hudrik/core/readiness';
import { dueAtHours, planOf } from '@hudrik/core/service';
import { sql } from 'kysely';
import { jsonObjectFrom } from 'kysely/helpers/postgres';
import type { Context } from '../context';
import type { Db, Trx } from '../database/tables';
import { refuse } from '../refusal';
import { stands } from './stands';

export interface UnitsQuery {
  readonly class?: ClassId | undefined;
  readonly readiness?: Readiness | undefined;
  readonly find?: string | undefined;
  readonly cursor?: string | undefined;
  readonly limit: number;
}

/** Units with all that a tag shows: model, readiness, hours, next hire. */
export function unitRows(db: Db | Trx) {
  return (
    db
      .selectFrom('unit as u')
      .innerJoin('model as m', 'm.id', 'u.model_id')
      .select([
        'u.id',
        'u.tag',
        'u.class_id',
        'm.make',
        'm.name',
        'u.serial',
        'u.home_bay',
        'u.readiness_verdict',
        'u.readiness_since',
        'u.severity',
        'u.version',
      ])
      // In the list and not joined: a page is sorted and cut first, and only its rows are asked for their hours.
      .select((eb) =>
        eb
          .selectFrom('meter_reading as r')
          .select('r.true_hours')
          .whereRef('r.unit_id', '=', 'u.id')
          .where(stands('r'))
          .orderBy('r.stands_for', 'desc')
          .limit(1)
          .as('true_hours'),
      )
      .select((eb) => [
        eb
          .selectFrom('meter_reading as f')
          .select('f.true_hours')
          .whereRef('f.unit_id', '=', 'u.id')
          .where(stands('f'))
          .orderBy('f.stands_for')
          .limit(1)
          .as('came_hours'),
        eb
          .selectFrom('service_done as d')
          .select('d.true_hours')
          .whereRef('d.unit_id', '=', 'u.id')
          .where('d.item', '=', ENGINE_OIL)
          .orderBy('d.at', 'desc')
          .limit(1)
          .as('oil_hours'),
        eb
          .selectFrom('model_plan as p')
          .select('p.plan')
          .whereRef('p.model_id', '=', 'u.model_id')
          .orderBy('p.version', 'desc')
          .limit(1)
          .as('own_plan'),
      ])
      // Every unit has a reading from its first day.
      .$narrowType<{ true_hours: number; came_hours: number }>()
      .select((eb) =>
        jsonObjectFrom(
          eb
            .selectFrom('hire as h')
            .select(['h.reference', 'h.class_id', 'h.from_at', 'h.to_at', 'h.state', 'h.out_at', 'h.back_at'])
            .whereRef('h.unit_id', '=', 'u.id')
            .where('h.state', '=', 'booked')
            .orderBy('h.from_at')
            .limit(1),
        ).as('next_hire'),
      )
  );
}

type UnitRowRead = Awaited<ReturnType<ReturnType<typeof unitRows>['execute']>>[number];

/** When the oil is due by hours, by the plan of its model, or of its class. A model whose oil hangs on no hours has all of them left. */
function oilDue(row: UnitRowRead): { readonly at: number; readonly lasts: number } {
  const { items } = planOf(SERVICE_PLANS[row.class_id], row.own_plan, 1, row.severity);
  const done = row.oil_hours === null ? null : { trueHours: row.oil_hours };
  const item = items.find(({ id }) => id === ENGINE_OIL);
  const due = item ? dueAtHours({ item, done, came: { trueHours: row.came_hours } }) : null;
  const lasts = engineOilOf(row.class_id).every.hours ?? 0;
  return due ?? { at: row.true_hours + lasts, lasts };
}

export function toUnitLine(row: UnitRowRead): UnitLine {
  const oil = oilDue(row);
  const next = row.next_hire;
  return {
    tag: row.tag,
    classId: row.class_id,
    model: { make: row.make, name: row.name },
    serial: row.serial,
    homeBay: row.home_bay,
    verdict: row.readiness_verdict,
    readySince: row.readiness_since.toISOString(),
    trueHours: row.true_hours,
    hoursToOilService: roundTenth(oil.at - row.true_hours),
    oilServiceEvery: oil.lasts,
    nextHire: next && {
      reference: next.reference,
      classId: row.class_id,
      tag: row.tag,
      fromAt: new Date(next.from_at).toISOString(),
      toAt: new Date(next.to_at).toISOString(),
      state: next.state,
      outAt: null,
      backAt: null,
      hirer: '',
      phone: '',
    },
    version: row.version,
  };
}

/** The yard: classes in their order, tags in theirs, a page at a time, with how many stand in each readiness. */
export async function readUnits({ db }: Context, query: UnitsQuery): Promise<UnitsReply> {
  const classOrder = sql<number>`array_position(array[${sql.join(CLASS_IDS.map((id) => sql.lit(id)))}]::text[], u.class_id)`;
  const after = query.cursor ? decode(query.cursor) : null;
  const rows = await unitRows(db)
    .$if(query.class !== undefined, (q) => q.where('u.class_id', '=', query.class ?? CLASS_IDS[0]))
    .$if(query.readiness !== undefined, (q) => q.where('u.readiness', '=', query.readiness ?? 'fit'))
    .$if(query.readiness === undefined && !query.find, (q) => q.where('u.readiness', '<>', 'gone'))
    .$if(Boolean(query.find), (q) => q.where(matches(query.find ?? '')))
    .$if(after !== null, (q) => q.where(sql<boolean>`(${classOrder}, u.tag) > (${after?.[0]}::int, ${after?.[1]})`))
    .orderBy(classOrder)
    .orderBy('u.tag')
    .limit(query.limit + 1)
    .execute();
  const page = rows.slice(0, query.limit);
  const last = page.at(-1);
  return {
    units: page.map(toUnitLine),
    next: rows.length > query.limit && last ? encode(last) : null,
    counts: await readCounts(db, query.class),
  };
}

function matches(find: string) {
  const pattern = `%${find.replaceAll(/[\\%_]/g, '\\$&')}%`;
  return sql<boolean>`(u.tag ilike ${pattern} or replace(u.tag, '-', '') ilike ${pattern} or u.serial ilike ${pattern} or m.make || ' ' || m.name ilike ${pattern})`;
}

async function readCounts(db: Db, classId?: ClassId): Promise<Record<string, number>> {
  const rows = await db
    .selectFrom('unit')
    .select(['readiness', (eb) => eb.fn.countAll<number>().as('n')])
    .$if(classId !== undefined, (q) => q.where('class_id', '=', classId ?? CLASS_IDS[0]))
    .groupBy('readiness')
    .execute();
  return Object.fromEntries(rows.map((row) => [row.readiness, row.n]));
}

const encode = (row: { class_id: ClassId; tag: string }): string =>
  Buffer.from(`${CLASS_IDS.indexOf(row.class_id) + 1}|${row.tag}`).toString('base64url');

function decode(cursor: string): [number, string] {
  const [order, tag] = Buffer.from(cursor, 'base64url').toString().split('|');
  return /^\d+$/.test(order ?? '') && tag ? [Number(order), tag] : refuse('not-valid', { field: 'cursor' });
}
