import type { DeskReply } from '@hudrik/core/contracts';
import { classId } from '@hudrik/core/fields';
import { askNow } from '../background/enqueue';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import { readDesk } from './readDesk';

/** A lead says that so many hires of a class at one moment are meant; the list is read again for them. */
export async function allowBurst(
  { db, now }: Pick<Context, 'db' | 'now'>,
  actor: Actor,
  of: string,
  atOnce: number,
): Promise<DeskReply> {
  const said = { at_once: atOnce, person_id: actor.id, made_at: now() };
  await inTransaction(db, async (trx) => {
    await trx
      .insertInto('desk_allowance')
      .values({ class_id: classId.required().validateSync(of), ...said })
      .onConflict((conflict) => conflict.column('class_id').doUpdateSet(said))
      .execute();
    await askNow(trx, 'read-desk');
  });
  return readDesk(db);
}
