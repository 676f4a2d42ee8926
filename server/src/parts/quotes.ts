import type { Quote } from '@hudrik/core/contracts';
import { todaysNumber } from '@hudrik/core/parts';
import { enqueue } from '../background/enqueue';
import { notifyChange } from '../background/notify';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { refuse } from '../refusal';
import { readSupersessions } from './shelf';
import { noteSupplier } from './supplierState';
import type { Supplier } from './supplier';

const NUMBER = /^[A-Z0-9][A-Z0-9.\-/ ]{1,39}$/;
/** What a supplier said is not asked anew within this time (judgement). */
const FRESH_MS = 6 * 3_600_000;
/** Replaced so often in a row and somebody goes round in a circle. */
const MOST_STEPS = 12;

function numberOf(text: string): string {
  const number = text.trim().toUpperCase();
  return NUMBER.test(number) ? number : refuse('not-valid', { field: 'number' });
}

async function todayOf(db: Db, asked: string) {
  const today = todaysNumber(asked, await readSupersessions(db));
  return today.ok ? today : refuse('parts-tangled', { problem: today.problem });
}

/** What the supplier said of a part last, and when. A number that it has replaced is followed. */
export async function readQuote({ db }: Pick<Context, 'db'>, text: string): Promise<Quote> {
  const asked = numberOf(text);
  const { number, through } = await todayOf(db, asked);
  const row = await db.selectFrom('supplier_quote').selectAll().where('number', '=', number).executeTakeFirst();
  return {
    asked,
    number,
    through: [...through],
    name: row?.name ?? null,
    obtainable: row?.obtainable ?? false,
    cents: row?.cents ?? null,
    leadDays: row?.lead_days ?? null,
    problem: row?.problem ?? null,
    askedAt: row?.asked_at.toISOString() ?? null,
    answeredAt: row?.answered_at?.toISOString() ?? null,
  };
}

/** Has the supplier asked about a part, in the background. Out: what it said before. */
export async function askQuote(context: Context, text: string): Promise<Quote> {
  await askQuoteSoon(context, numberOf(text));
  return readQuote(context, text);
}

async function askQuoteSoon({ db, now }: Pick<Context, 'db' | 'now'>, asked: string): Promise<void> {
  const { number } = await todayOf(db, asked);
  await db
    .insertInto('supplier_quote')
    .values({ number, asked_at: now(), problem: null, name: null, cents: null, lead_days: null })
    .onConflict((conflict) => conflict.column('number').doUpdateSet({ asked_at: now() }))
    .execute();
  await enqueue(db, 'ask-quote', { number }, { key: `quote-${number}` });
}

/** The same, unless the answer that is there is fresh. */
export async function askQuoteUnlessFresh(context: Pick<Context, 'db' | 'now'>, number: string): Promise<void> {
  const row = await context.db
    .selectFrom('supplier_quote')
    .select('asked_at')
    .where('number', '=', number)
    .executeTakeFirst();
  const isFresh = row !== undefined && row.asked_at.getTime() > context.now().getTime() - FRESH_MS;
  if (!isFresh) await askQuoteSoon(context, number);
}

/** Asks the supplier, and keeps what it says. A replacement that it names is kept for ever after. */
export async function fetchQuote(
  context: Pick<Context, 'db' | 'now'>,
  supplier: Supplier,
  asked: string,
): Promise<void> {
  const { db, now } = context;
  let number = asked;
  for (let step = 0; step < MOST_STEPS; step++) {
    const answer = await supplier.quote(number);
    await noteSupplier(context, answer);
    const next = answer.ok ? answer.value.supersededBy : null;
    if (next !== null && next !== number && (await replacedBy(db, number, next))) {
      number = next;
      continue;
    }
    const problem = answer.ok ? null : answer.code === 'refused' ? 'not-known' : answer.code;
    const said = answer.ok
      ? {
          name: answer.value.name,
          obtainable: answer.value.obtainable,
          cents: answer.value.cents,
          lead_days: answer.value.leadDays,
        }
      : { name: null, obtainable: false, cents: null, lead_days: null };
    const at = now();
    const answeredAt = answer.ok || problem === 'not-known' ? { answered_at: at } : {};
    await db
      .insertInto('supplier_quote')
      .values({ number, asked_at: at, ...said, problem, ...answeredAt })
      .onConflict((conflict) =>
        conflict.column('number').doUpdateSet({ asked_at: at, ...said, problem, ...answeredAt }),
      )
      .execute();
    break;
  }
  await notifyChange(db, { what: 'quote', id: asked });
}

/** Keeps that a number has another in its place. Out: whether that leads on; a circle does not. */
async function replacedBy(db: Db, old: string, by: string): Promise<boolean> {
  const today = todaysNumber(by, await readSupersessions(db));
  if (!today.ok || today.number === old) return false;
  await db
    .insertInto('supersession')
    .values({ old_number: old, by_number: by })
    .onConflict((conflict) => conflict.doNothing())
    .execute();
  return true;
}
