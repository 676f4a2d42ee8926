import type { Context } from '../context';
import type { Answered } from './supplier';

/** Keeps when the supplier answered last, and what went wrong since. A refusal is an answer too. */
export async function noteSupplier({ db, now }: Pick<Context, 'db' | 'now'>, answer: Answered<unknown>): Promise<void> {
  const answered = answer.ok || answer.code === 'refused';
  await db
    .updateTable('supplier_state')
    .set(answered ? { answered_at: now(), problem: null } : { problem: answer.code })
    .execute();
}
