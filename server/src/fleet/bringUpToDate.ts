import { migrate } from '../database/open';
import type { Db } from '../database/tables';
import { changeUnit } from '../log/changeUnit';

/**
 * Brings the database to the newest migration. Where one ran, each unit's stored readiness is reckoned anew: by a newer rule a unit may be held
 * that was fit. Out: the names of those that ran.
 */
export async function bringUpToDate(db: Db, now: () => Date = () => new Date()): Promise<string[]> {
  const ran = await migrate(db);
  const units = ran.length === 0 ? [] : await db.selectFrom('unit').select('id').orderBy('id').execute();
  for (const { id } of units) await changeUnit({ db, now }, null, { id }, async () => undefined);
  return ran;
}
