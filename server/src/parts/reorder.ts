import type { ReorderReply } from '@hudrik/core/contracts';
import { isUnknownNumber } from '@hudrik/core/parts';
import { sql } from 'kysely';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { writeCsv } from '../exchange/csv';
import { readDemand } from './demand';
import { shelfOf } from './shelf';

const SHOWN_AHEAD_DAYS = 60;

/** What to order for the shelf now: what is free, and comes already, is fewer than should lie there. */
export async function readReorder({ db, now }: Pick<Context, 'db' | 'now'>): Promise<ReorderReply> {
  const demand = await readDemand(db, now());
  const parts = await db.selectFrom('part').select(['id', 'number', 'name', 'cents']).orderBy('name').execute();
  const shelf = await shelfOf(
    db,
    parts.map(({ id }) => id),
  );
  const waiting = await missingOf(db);
  const lines = parts.flatMap(({ id, number, name, cents }) => {
    const wanted = demand.get(id);
    const { onHand = 0, reserved = 0 } = shelf.get(id) ?? {};
    const free = onHand - reserved - (waiting.get(id) ?? 0);
    if (wanted === undefined || isUnknownNumber(number) || free >= wanted.orderBelow) return [];
    const order = wanted.orderUpTo - free;
    return [
      {
        ...{ number, name, free, order, cents: order * cents, orderBelow: wanted.orderBelow },
        usedPerMonth: Math.round(wanted.perDay * 30.5 * 10) / 10,
        leadDays: wanted.leadDays,
        ahead: wanted.serviceAhead.filter(({ inDays }) => inDays <= SHOWN_AHEAD_DAYS),
      },
    ];
  });
  return { lines, cents: lines.reduce((sum, { cents }) => sum + cents, 0) };
}

/** By part: wanted on cards, and neither on the shelf nor ordered. */
async function missingOf(db: Db): Promise<ReadonlyMap<number, number>> {
  const rows = await db
    .selectFrom('part_line')
    .select(['part_id', sql<number>`sum(count)::int`.as('count')])
    .where('state', '=', 'wanted')
    .groupBy('part_id')
    .execute();
  return new Map(rows.map(({ part_id: id, count }) => [id, count]));
}

export async function exportReorder(context: Pick<Context, 'db' | 'now'>): Promise<string> {
  const { lines } = await readReorder(context);
  return writeCsv(
    ['number', 'name', 'order', 'free', 'order-below', 'lead-days', 'cents'],
    lines.map(({ number, name, order, free, orderBelow, leadDays, cents }) => ({
      ...{ number, name, order, free, cents },
      'order-below': orderBelow,
      'lead-days': leadDays,
    })),
  );
}
