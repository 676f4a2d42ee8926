import type { OrderLine } from '@hudrik/core/contracts';
import { ORDER, ORDERS_UNDER_WAY, PART_LINE } from '@hudrik/core/states';
import { notifyChange } from '../background/notify';
import type { Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Db, Trx } from '../database/tables';
import { changeUnit } from '../log/changeUnit';
import { askSoon, byUnit, linesWithUnits, namesOfLine, readOrder } from './orders';
import { noteSupplier } from './supplierState';
import type { Answered, Supplier, SupplierOrder } from './supplier';

/** How long until a supplier that did not answer is asked again: longer each time. */
const FIRST_PAUSE_MS = 15_000;
const LONGEST_PAUSE_MS = 30 * 60_000;
const SOONEST_MS = 5000;

type Asking = Pick<Context, 'db' | 'now'>;

/**
 * Sends an order that the supplier has not taken yet, or asks how a placed one stands. Nothing is locked while it is asked. Asked twice it
 * is one order: it is sent under its own id.
 */
export async function askOrder(context: Asking, supplier: Supplier, orderId: string): Promise<void> {
  const order = await readOrder(context.db, orderId);
  if (!ORDERS_UNDER_WAY.includes(order.state)) return;
  const answer = await ask(supplier, order);
  await noteSupplier(context, answer);
  await inTransaction(context.db, async (trx) => {
    const inside = { ...context, db: trx };
    await (answer.ok ? confirm(inside, order, answer.value) : fail(inside, order, answer));
    await notifyChange(trx, { what: 'order', id: orderId });
  });
}

async function ask(supplier: Supplier, order: OrderLine): Promise<Answered<SupplierOrder>> {
  const known = order.supplierRef === null ? null : await supplier.status(order.supplierRef);
  // A supplier that has lost an order is given it again, under the same key.
  if (known !== null && (known.ok || known.code !== 'refused')) return known;
  return supplier.order(order.id, countsOf(order));
}

/** What is to be ordered, by number. */
function countsOf(order: OrderLine): { number: string; count: number }[] {
  const byNumber = new Map<string, number>();
  for (const line of order.lines)
    if (line.state === 'ordered') byNumber.set(line.number, (byNumber.get(line.number) ?? 0) + line.count);
  return [...byNumber].map(([number, count]) => ({ number, count }));
}

type Inside = Asking & { readonly db: Trx };

async function confirm(context: Inside, order: OrderLine, said: SupplierOrder): Promise<void> {
  const { db: trx, now } = context;
  const at = now();
  const next = ORDER.after(await stateNow(trx, order.id), 'confirm');
  // Received meanwhile by somebody who saw it come.
  if (!next.ok) return;
  const isNew = order.state !== next.state;
  const isLate = said.state === 'late';
  await trx
    .updateTable('part_order')
    .set({
      state: next.state,
      supplier_ref: said.order,
      expected_at: said.expectedAt,
      late: isLate,
      problem: null,
      asked_at: at,
      tries: order.tries + 1,
      cents: said.lines.reduce((sum, line) => sum + line.count * line.cents, 0),
      ...(isNew ? { placed_at: at } : {}),
    })
    .where('id', '=', order.id)
    .execute();
  if (isNew || (isLate && !order.late)) await tellUnits(context, order.id, isNew ? 'part-ordered' : 'part-late');
  const soonest = at.getTime() + SOONEST_MS;
  const expected = Date.parse(said.expectedAt);
  await askSoon(trx, order.id, new Date(Math.min(Math.max(expected, soonest), at.getTime() + LONGEST_PAUSE_MS)));
}

async function tellUnits(context: Inside, orderId: string, kind: 'part-ordered' | 'part-late'): Promise<void> {
  for (const [unitId, lines] of byUnit(await linesWithUnits(context.db, orderId)))
    await changeUnit(context, null, { id: unitId }, async ({ append }) => {
      for (const line of lines.filter((one) => one.state === 'ordered'))
        await append({ kind, facts: {}, jobId: line.jobId, outcome: namesOfLine(line) });
    });
}

/** Away, slow or talking nonsense: it is asked again, later each time. Refused: what was ordered is wanted again, and why is said. */
async function fail(context: Inside, order: OrderLine, answer: Answered<SupplierOrder> & { ok: false }): Promise<void> {
  const { db: trx, now } = context;
  const refused = ORDER.after(await stateNow(trx, order.id), 'refuse');
  const isRefused = answer.code === 'refused' && refused.ok;
  const problem =
    answer.code === 'refused' ? `refused: ${answer.why}${answer.number ? ` (${answer.number})` : ''}` : answer.code;
  await trx
    .updateTable('part_order')
    .set({ problem, asked_at: now(), tries: order.tries + 1, ...(isRefused ? { state: refused.state } : {}) })
    .where('id', '=', order.id)
    .execute();
  if (isRefused) return wantAgain(trx, order.id);
  const pause = Math.min(FIRST_PAUSE_MS * 2 ** Math.min(order.tries, 10), LONGEST_PAUSE_MS);
  return askSoon(trx, order.id, new Date(now().getTime() + pause));
}

async function wantAgain(trx: Trx, orderId: string): Promise<void> {
  const next = PART_LINE.after('ordered', 'refuse');
  if (!next.ok) return;
  await trx
    .updateTable('part_line')
    .set({ state: next.state, order_id: null })
    .where('order_id', '=', orderId)
    .where('state', 'in', PART_LINE.from('refuse'))
    .execute();
}

async function stateNow(trx: Trx, orderId: string): Promise<OrderLine['state']> {
  const row = await trx
    .selectFrom('part_order')
    .select('state')
    .where('id', '=', orderId)
    .forUpdate()
    .executeTakeFirstOrThrow();
  return row.state;
}

/** An order that was not asked about for so long has fallen out of the background's hands. */
const FORGOTTEN_MS = 2 * LONGEST_PAUSE_MS;

/** Asks about orders under way that nothing else is going to ask about. */
export async function askUnasked(db: Db, now: Date): Promise<void> {
  const before = new Date(now.getTime() - FORGOTTEN_MS);
  const rows = await db
    .selectFrom('part_order')
    .select('id')
    .where('state', 'in', ORDERS_UNDER_WAY)
    .where((eb) =>
      eb.or([eb('asked_at', '<', before), eb.and([eb('asked_at', 'is', null), eb('made_at', '<', before)])]),
    )
    .execute();
  for (const { id } of rows) await askSoon(db, id);
}
