import { stockFor, type PartDemand, type Stock } from '@hudrik/core/parts';
import { sql } from 'kysely';
import type { Db } from '../database/tables';
import { readSettings } from '../people/settings';
import { readServiceFacts } from '../service/serviceFacts';
import { itemsOf } from '../service/unitService';
import { partOfNumber } from './shelf';

const YEAR_DAYS = 365;
const DAY_MS = 86_400_000;
/** Days that a part takes to come where the supplier did not say (judgement). */
const LEAD_DAYS = 7;
/** How surely a part should be there where the yard did not say (judgement). */
const SERVICE_LEVEL = 0.95;

/** Service of a unit that takes a part, and in how many days it falls due. */
interface ServiceAhead {
  readonly tag: string;
  readonly item: string;
  readonly inDays: number;
}

export interface Wanted extends PartDemand, Stock {
  readonly serviceAhead: readonly ServiceAhead[];
}

/** How many of each part are to lie there, by part: of these, or of all. */
export async function readDemand(db: Db, at: Date, ids?: readonly number[]): Promise<ReadonlyMap<number, Wanted>> {
  const level = (await readSettings(db)).serviceLevel ?? SERVICE_LEVEL;
  const [repairs, leads, ahead] = [await usedByRepairs(db, at, ids), await leadDays(db), await serviceAhead(db, at)];
  return new Map(
    repairs.map(({ id, number, used, since }) => {
      const its = ahead.get(id) ?? [];
      const demand: PartDemand = {
        used,
        days: Math.min((at.getTime() - since.getTime()) / DAY_MS, YEAR_DAYS),
        serviceIn: its.map(({ inDays }) => inDays),
        leadDays: leads.get(number) ?? LEAD_DAYS,
      };
      return [id, { ...demand, ...stockFor(demand, level), serviceAhead: its }] as const;
    }),
  );
}

/** Put on by what is no service, less what came back, in a year; and since when the part is known. */
const usedByRepairs = (db: Db, at: Date, ids?: readonly number[]) =>
  db
    .selectFrom('part as p')
    .leftJoin('part_move as m', 'm.part_id', 'p.id')
    .leftJoin('part_line as l', 'l.id', 'm.line_id')
    .leftJoin('job as j', 'j.id', 'l.job_id')
    .groupBy(['p.id', 'p.number'])
    .select(['p.id', 'p.number'])
    .select([
      sql<number>`coalesce(-sum(m.change) filter (where m.why in ('used', 'returned')
        and m.at > ${new Date(at.getTime() - YEAR_DAYS * DAY_MS)} and j.kind is distinct from 'service'), 0)::int`.as(
        'used',
      ),
      sql<Date>`coalesce(min(m.at), ${at})`.as('since'),
    ])
    .$if(ids !== undefined, (query) => query.where('p.id', 'in', ids ?? []))
    .execute();

async function leadDays(db: Db): Promise<ReadonlyMap<string, number>> {
  const rows = await db
    .selectFrom('supplier_quote')
    .select(['number', 'lead_days'])
    .where('lead_days', 'is not', null)
    .execute();
  return new Map(rows.flatMap(({ number, lead_days: days }) => (days === null ? [] : [[number, days] as const])));
}

/** By part: the service ahead that takes it as its kit, the soonest first. What stands on a card has its own already. */
async function serviceAhead(db: Db, at: Date): Promise<ReadonlyMap<number, ServiceAhead[]>> {
  const withKits = (await readServiceFacts(db, at)).filter(({ plan }) => Object.keys(plan.kits).length > 0);
  const ahead = new Map<number, ServiceAhead[]>();
  const partIds = new Map<string, number | null>();
  for (const facts of withKits)
    for (const { id: item, fallsDueIn, jobId } of itemsOf(facts, at)) {
      const number = facts.plan.kits[item];
      if (number === undefined || jobId !== null) continue;
      if (!partIds.has(number)) partIds.set(number, await partIdOf(db, number));
      const part = partIds.get(number);
      if (part == null) continue;
      const one = { tag: facts.tag, item, inDays: fallsDueIn.expected };
      ahead.set(
        part,
        [...(ahead.get(part) ?? []), one].sort((a, b) => a.inDays - b.inDays),
      );
    }
  return ahead;
}

/** A kit whose number leads nowhere any more is nobody's demand. */
const partIdOf = (db: Db, number: string): Promise<number | null> =>
  partOfNumber(db, number).then(
    ({ id }) => id,
    () => null,
  );
