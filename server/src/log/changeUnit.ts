import type { LogRecord } from '@hudrik/core/contracts';
import { sql } from 'kysely';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Trx, UnitRow } from '../database/tables';
import { refuse } from '../refusal';
import { append, type NewEntry } from './append';
import { refreshReadiness } from './refreshReadiness';

/** Which unit: by the tag painted on it, or by its id. */
export type UnitRef = { readonly tag: string } | { readonly id: number };

/** A change of one unit, under way: its row is locked, and what happens to it is written through here. */
export interface UnitChange {
  readonly trx: Trx;
  readonly unit: UnitRow;
  readonly at: Date;
  /** Who changes it; nobody: the program itself. */
  readonly actor: Actor | null;
  readonly append: (entry: NewEntry) => Promise<LogRecord>;
}

/**
 * The one way to write what hangs on a unit. Locks it, so that two changes of one unit never cross; changes; appends to the log; brings its
 * readiness up to date; all in one transaction, with the answer that is kept under the request's idempotency key (see `http/exactlyOnce`).
 * The database refuses such a write from anywhere else.
 */
export function changeUnit<T>(
  context: Pick<Context, 'db' | 'now'>,
  actor: Actor | null,
  ref: UnitRef,
  change: (change: UnitChange) => Promise<T>,
): Promise<T> {
  return inTransaction(context.db, async (trx) => {
    const unit = await lock(trx, ref);
    return writing(trx, String(unit.id), async () => {
      const at = context.now();
      const write = { trx, unit, at, actor, append: (entry: NewEntry) => append(trx, unit, actor, at, entry) };
      const done = await change(write);
      await refreshReadiness(trx, unit.id, at);
      return done;
    });
  });
}

/** A unit that is not there yet: it is put in, and the change goes on with it locked. */
export function addingUnit<T>(
  context: Pick<Context, 'db' | 'now'>,
  actor: Actor | null,
  insert: (trx: Trx) => Promise<number>,
  change: (change: UnitChange) => Promise<T>,
): Promise<T> {
  return inTransaction(context.db, async (trx) =>
    changeUnit({ ...context, db: trx }, actor, { id: await insert(trx) }, change),
  );
}

/** Lets this transaction write what hangs on a unit; afterwards whatever it was let before. */
async function writing<T>(trx: Trx, unitId: string, work: () => Promise<T>): Promise<T> {
  const before = await sql<{ was: string | null }>`select current_setting('hudrik.unit', true) as was`.execute(trx);
  await sql`select set_config('hudrik.unit', ${unitId}, true)`.execute(trx);
  const done = await work();
  await sql`select set_config('hudrik.unit', ${before.rows[0]?.was ?? ''}, true)`.execute(trx);
  return done;
}

/** For loading a whole yard at once (the demo, a restored backup): the guard is told so. */
export const writingAny = <T>(trx: Trx, work: () => Promise<T>): Promise<T> => writing(trx, 'any', work);

async function lock(trx: Trx, ref: UnitRef): Promise<UnitRow> {
  const query = trx.selectFrom('unit').selectAll().forUpdate();
  const row = await (
    'id' in ref ? query.where('id', '=', ref.id) : query.where('tag', '=', ref.tag.trim().toUpperCase())
  ).executeTakeFirst();
  return row ?? refuse('no-such-tag', { ...ref });
}
