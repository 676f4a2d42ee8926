import type { Unproved } from '@hudrik/core/contracts';
import { isOf } from '@hudrik/core/log';
import type { Proof } from '@hudrik/core/proof';
import type { Db } from '../database/tables';

/** What a passed proof did not show, for want of a load: kept with its signature. */
export const unprovedIn = ({ unloaded, unproved }: Proof): { readonly unproved?: Omit<Unproved, 'at'> } =>
  unloaded === null ? {} : { unproved: { why: unloaded, what: [...unproved] } };

/** What a unit's last passed proof did not show; null: it showed all that it was asked, or there was none. */
export async function unprovedOf(db: Db, unitId: number): Promise<Unproved | null> {
  const row = await db
    .selectFrom('log_entry')
    .select(['at', 'kind', 'facts', 'outcome'])
    .where('unit_id', '=', unitId)
    .where('kind', '=', 'proved')
    .where((eb) => eb(eb.ref('facts', '->>').key('passed'), '=', 'true'))
    .orderBy('place', 'desc')
    .limit(1)
    .executeTakeFirst();
  if (row === undefined || !isOf(row, 'proved') || row.outcome.unproved === undefined) return null;
  return { ...row.outcome.unproved, at: row.at.toISOString() };
}
