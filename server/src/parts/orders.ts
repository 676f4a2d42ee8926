import { isUnknownNumber } from '@hudrik/core/parts';
import type { OrderLine, OrdersReply } from '@hudrik/core/contracts';
import { ORDER, ORDERS_UNDER_WAY, PART_LINE } from '@hudrik/core/states';
import { enqueue } from '../background/enqueue';
import { notifyChange } from '../background/notify';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Db, Trx } from '../database/tables';
import { isUuid } from '../isUuid';
import { resumeWhenPartsAreThere } from '../jobs/resumeWhenPartsAreThere';
import { changeUnit } from '../log/changeUnit';
import { refuse } from '../refusal';
import { lineRows, toPartLines } from './partLines';

/** Orders, the newest first, and when the supplier answered last. */
export async function readOrders({ db }: Pick<Context, 'db'>): Promise<OrdersReply> {
  const rows = await db.selectFrom('part_order').select('id').orderBy('made_at', 'desc').limit(40).execute();
  const orders = await Promise.all(rows.map((row) => readOrder(db, row.id)));
  const supplier = await db.selectFrom('supplier_state').select(['answered_at', 'problem']).executeTakeFirst();
  return {
    orders,
    supplier: { answeredAt: supplier?.answered_at?.toISOString() ?? null, problem: supplier?.problem ?? null },
  };
}

export async function readOrder(db: Db, id: string): Promise<OrderLine> {
  const row = isUuid(id)
    ? await db.selectFrom('part_order').selectAll().where('id', '=', id).executeTakeFirst()
    : undefined;
  if (row === undefined) return refuse('not-found', { order: id });
  const lines = await toPartLines(db, await lineRows(db).where('l.order_id', '=', id).execute());
  return {
    id: row.id,
    state: row.state,
    supplierRef: row.supplier_ref,
    placedAt: row.placed_at?.toISOString() ?? null,
    expectedAt: row.expected_at?.toISOString() ?? null,
    late: row.late,
    problem: row.problem,
    tries: row.tries,
    askedAt: row.asked_at?.toISOString() ?? null,
    lines,
    cents: row.cents,
  };
}

/** Lines of an order with the job and unit that each is for. */
export const linesWithUnits = (trx: Trx, orderId: string) =>
  trx
    .selectFrom('part_line as l')
    .innerJoin('job as j', 'j.id', 'l.job_id')
    .innerJoin('part as p', 'p.id', 'l.part_id')
    .select([
      'l.id',
      'l.state',
      'l.count',
      'l.part_id',
      'j.id as jobId',
      'j.unit_id',
      'j.closed_at',
      'p.number',
      'p.name',
      'p.cents',
    ])
    .where('l.order_id', '=', orderId)
    // Units are locked in one order, whoever comes.
    .orderBy('j.unit_id')
    .orderBy('l.id')
    .execute();

export type OrderedLineOfUnit = Awaited<ReturnType<typeof linesWithUnits>>[number];

/** Which unit each line is for, the lines of a unit together. */
export function byUnit(lines: readonly OrderedLineOfUnit[]): ReadonlyMap<number, OrderedLineOfUnit[]> {
  const units = new Map<number, OrderedLineOfUnit[]>();
  for (const line of lines) units.set(line.unit_id, [...(units.get(line.unit_id) ?? []), line]);
  return units;
}

export const namesOfLine = ({ number, name, count }: OrderedLineOfUnit) => ({ number, part: name, count });

/** Orders what jobs want. It is kept now and sent by the background: a supplier that is away loses nothing. */
export async function addOrder(
  context: Context,
  actor: Actor,
  { id, lines }: { id: string; lines: readonly string[] },
): Promise<OrderLine> {
  return inTransaction(context.db, async (trx) => {
    if (await trx.selectFrom('part_order').select('id').where('id', '=', id).executeTakeFirst())
      return readOrder(trx, id);
    const wanted = await trx
      .selectFrom('part_line as l')
      .innerJoin('part as p', 'p.id', 'l.part_id')
      .select(['l.id', 'l.state', 'p.number'])
      .where('l.id', 'in', [...lines])
      .orderBy('l.id')
      .forUpdate('l')
      .execute();
    if (wanted.length !== new Set(lines).size) refuse('not-found', { lines });
    // Nobody can order what has no number yet.
    const unnumbered = wanted.find((line) => isUnknownNumber(line.number));
    if (unnumbered) refuse('part-unknown', { number: unnumbered.number });
    await trx
      .insertInto('part_order')
      .values({ id, supplier_ref: null, problem: null, person_id: actor.id, made_at: context.now() })
      .execute();
    for (const line of wanted) {
      const next = PART_LINE.after(line.state, 'order');
      if (!next.ok) return refuse('part-line-moved', { state: next.state });
      await trx.updateTable('part_line').set({ state: next.state, order_id: id }).where('id', '=', line.id).execute();
    }
    await askSoon(trx, id);
    return readOrder(trx, id);
  });
}

/** Leaves it to the background to ask the supplier about an order. */
export async function askSoon(db: Db, orderId: string, runAt?: Date): Promise<void> {
  await enqueue(db, 'ask-order', { orderId }, { key: `order-${orderId}`, ...(runAt ? { runAt } : {}) });
}

/** Somebody wants to know now: the supplier is asked again at once. */
export async function askAgain({ db }: Context, id: string): Promise<OrderLine> {
  const order = await readOrder(db, id);
  if (ORDERS_UNDER_WAY.includes(order.state)) await askSoon(db, id);
  return order;
}

/** It has arrived: on the shelf, promised to the jobs that wanted it, and jobs that waited for the last of it go on. */
export async function receiveOrder(context: Context, actor: Actor, id: string): Promise<OrderLine> {
  return inTransaction(context.db, async (trx) => {
    const order = isUuid(id)
      ? await trx.selectFrom('part_order').select('state').where('id', '=', id).forUpdate().executeTakeFirst()
      : undefined;
    if (order === undefined) return refuse('not-found', { order: id });
    // Two people may say so.
    if (order.state === 'arrived') return readOrder(trx, id);
    const next = ORDER.after(order.state, 'receive');
    if (!next.ok) return refuse('order-moved', { state: next.state });
    await trx.updateTable('part_order').set({ state: next.state, problem: null }).where('id', '=', id).execute();
    for (const [unitId, lines] of byUnit(await linesWithUnits(trx, id))) {
      await changeUnit({ ...context, db: trx }, actor, { id: unitId }, async (change) => {
        for (const line of lines) await receiveLine(trx, line, actor, change.at, change.append);
        for (const jobId of new Set(lines.map((line) => line.jobId))) await resumeWhenPartsAreThere(change, jobId);
      });
    }
    await notifyChange(trx, { what: 'order', id });
    return readOrder(trx, id);
  });
}

type Append = Parameters<Parameters<typeof changeUnit>[3]>[0]['append'];

async function receiveLine(trx: Trx, line: OrderedLineOfUnit, actor: Actor, at: Date, append: Append): Promise<void> {
  await trx
    .insertInto('part_move')
    .values({
      part_id: line.part_id,
      change: line.count,
      why: 'received',
      note: null,
      line_id: line.id,
      person_id: actor.id,
      at,
    })
    .execute();
  if (line.cents > 0)
    await trx.updateTable('part').set({ paid_cents: line.cents, paid_at: at }).where('id', '=', line.part_id).execute();
  // A job that was ended or that dropped it meanwhile gets nothing: it lies on the shelf for all.
  const next = PART_LINE.after(line.state, 'arrive');
  if (!next.ok || line.closed_at !== null) return;
  await trx.updateTable('part_line').set({ state: next.state }).where('id', '=', line.id).execute();
  await append({ kind: 'part-arrived', facts: {}, jobId: line.jobId, outcome: namesOfLine(line) });
}
