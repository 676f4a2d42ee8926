import type { OrderLine, OrdersReply } from '@hudrik/core/contracts';
import type { Actor, Context } from '../context';
import type { Db } from '../database/tables';
import { record } from '../fleet/history';
import { isUuid } from '../isUuid';
import { refuse } from '../refusal';
import { lineRows, toPartLines } from './partLines';
import type { Answered, SupplierOrder } from './supplier';
import { wakeCard } from './wakeCard';

/** Orders that stand, and those that arrived lately; the newest first. */
export async function readOrders({ db, supplier }: Context): Promise<OrdersReply> {
  const rows = await db.selectFrom('part_order').select('id').orderBy('made_at', 'desc').limit(40).execute();
  const orders = await Promise.all(rows.map((row) => readOrder(db, row.id)));
  const answer = await supplier.quote('-');
  return { orders, supplier: { reachable: answer.ok || answer.code === 'refused' } };
}

async function readOrder(db: Db, id: string): Promise<OrderLine> {
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
    lines,
    cents: row.cents,
  };
}

/** Orders what cards want. It is kept first and sent then: a supplier that is away loses nothing. */
export async function addOrder(
  context: Context,
  actor: Actor,
  { id, lines }: { id: string; lines: readonly string[] },
): Promise<OrderLine> {
  await context.db.transaction().execute(async (trx) => {
    if (await trx.selectFrom('part_order').select('id').where('id', '=', id).executeTakeFirst()) return;
    const wanted = await trx
      .selectFrom('part_line')
      .select(['id', 'state'])
      .where('id', 'in', [...lines])
      .orderBy('id')
      .forUpdate()
      .execute();
    if (wanted.length !== new Set(lines).size) refuse('not-found', { lines });
    const moved = wanted.find((line) => line.state !== 'wanted');
    if (moved) refuse('part-line-moved', { state: moved.state });
    await trx
      .insertInto('part_order')
      .values({ id, supplier_ref: null, problem: null, person_id: actor.id, made_at: context.now() })
      .execute();
    await trx
      .updateTable('part_line')
      .set({ state: 'ordered', order_id: id })
      .where('id', 'in', [...lines])
      .execute();
  });
  return sendOrder(context, actor, id);
}

/** Sends an order that was not taken yet, or asks how a placed one stands. */
export async function sendOrder(context: Context, actor: Actor, id: string): Promise<OrderLine> {
  const { db, supplier } = context;
  const order = await readOrder(db, id);
  if (order.state === 'arrived') return order;
  const byNumber = new Map<string, number>();
  for (const line of order.lines)
    if (line.state === 'ordered') byNumber.set(line.number, (byNumber.get(line.number) ?? 0) + line.count);
  const lines = [...byNumber].map(([number, count]) => ({ number, count }));
  const standing = order.state === 'placed' && order.supplierRef ? await supplier.status(order.supplierRef) : null;
  // A supplier that has lost an order is given it again, under the same key.
  const answer =
    standing === null || (!standing.ok && standing.code === 'refused') ? await supplier.order(id, lines) : standing;
  if (answer.ok) await keep(context, actor, order, answer.value);
  else await fail(db, order, answer);
  return readOrder(db, id);
}

async function keep({ db, now }: Context, actor: Actor, order: OrderLine, said: SupplierOrder): Promise<void> {
  const at = now();
  const isNew = order.state !== 'placed';
  await db.transaction().execute(async (trx) => {
    await trx
      .updateTable('part_order')
      .set({
        state: 'placed',
        supplier_ref: said.order,
        expected_at: said.expectedAt,
        late: said.state === 'late',
        problem: null,
        tries: order.tries + 1,
        cents: said.lines.reduce((sum, line) => sum + line.count * line.cents, 0),
        ...(isNew ? { placed_at: at } : {}),
      })
      .where('id', '=', order.id)
      .execute();
    const kind = isNew ? 'part-ordered' : said.state === 'late' && !order.late ? 'part-late' : null;
    if (kind === null) return;
    for (const line of order.lines.filter((entry) => entry.state === 'ordered')) {
      const job = await trx
        .selectFrom('job')
        .select(['id', 'unit_id'])
        .where('id', '=', Number(line.jobId))
        .executeTakeFirstOrThrow();
      await record(trx, {
        unitId: job.unit_id,
        at,
        kind,
        personId: actor.id,
        facts: {
          jobId: line.jobId,
          number: line.number,
          part: line.name,
          count: line.count,
          expectedAt: said.expectedAt,
        },
      });
    }
  });
}

/** Away, slow or talking nonsense: it stays to be sent again. Refused: what was ordered is wanted again, and why is said. */
async function fail(db: Db, order: OrderLine, answer: Answered<SupplierOrder> & { ok: false }): Promise<void> {
  const problem =
    answer.code === 'refused' ? `refused: ${answer.why}${answer.number ? ` (${answer.number})` : ''}` : answer.code;
  await db.transaction().execute(async (trx) => {
    const isRefused = answer.code === 'refused' && order.state !== 'placed';
    await trx
      .updateTable('part_order')
      .set({ problem, tries: order.tries + 1, ...(isRefused ? { state: 'failed' } : {}) })
      .where('id', '=', order.id)
      .execute();
    if (isRefused)
      await trx
        .updateTable('part_line')
        .set({ state: 'wanted', order_id: null })
        .where('order_id', '=', order.id)
        .where('state', '=', 'ordered')
        .execute();
  });
}

/** It has arrived: on the shelf, promised to the cards that wanted it, and cards that waited for the last of it wake up. */
export async function receiveOrder({ db, now }: Context, actor: Actor, id: string): Promise<OrderLine> {
  await db.transaction().execute(async (trx) => {
    const order = isUuid(id)
      ? await trx.selectFrom('part_order').selectAll().where('id', '=', id).forUpdate().executeTakeFirst()
      : undefined;
    if (order === undefined) return refuse('not-found', { order: id });
    if (order.state === 'arrived') return undefined;
    if (order.state !== 'placed') return refuse('part-line-moved', { state: order.state });
    const at = now();
    const lines = await trx
      .selectFrom('part_line as l')
      .innerJoin('job as j', 'j.id', 'l.job_id')
      .innerJoin('part as p', 'p.id', 'l.part_id')
      .select([
        'l.id',
        'l.part_id',
        'l.count',
        'l.state',
        'j.id as jobId',
        'j.unit_id',
        'j.closed_at',
        'p.number',
        'p.name',
      ])
      .where('l.order_id', '=', id)
      .execute();
    for (const line of lines) {
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
      // A card that was ended or that dropped it meanwhile gets nothing: it lies on the shelf for all.
      if (line.state !== 'ordered' || line.closed_at !== null) continue;
      await trx.updateTable('part_line').set({ state: 'arrived' }).where('id', '=', line.id).execute();
      await record(trx, {
        unitId: line.unit_id,
        at,
        kind: 'part-arrived',
        personId: actor.id,
        facts: { jobId: String(line.jobId), number: line.number, part: line.name, count: line.count },
      });
    }
    await trx.updateTable('part_order').set({ state: 'arrived', problem: null }).where('id', '=', id).execute();
    for (const jobId of new Set(lines.map((line) => line.jobId))) await wakeCard(trx, jobId, at);
    return undefined;
  });
  return readOrder(db, id);
}
