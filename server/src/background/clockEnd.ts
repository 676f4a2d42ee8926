import type { Db } from '../database/tables';
import { notifyChange } from './notify';

/** A wait is over: the screens are told. What was found is for a person to say. */
export async function endClock(db: Db, clockId: string): Promise<void> {
  const clock = await db.selectFrom('clock').select('state').where('id', '=', clockId).executeTakeFirst();
  if (clock?.state === 'running') await notifyChange(db, { what: 'clock', id: clockId });
}
