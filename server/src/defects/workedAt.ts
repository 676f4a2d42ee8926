import { sql } from 'kysely';
import type { Trx } from '../database/tables';

/**
 * When something of a system was last worked on after a look, whatever visit it was on; null: not since. Without a system, anything. What nobody
 * named a system for may be of any.
 */
export async function workedAt(
  trx: Trx,
  unitId: number,
  since: Date,
  system: string | undefined,
): Promise<string | null> {
  const { rows } = await sql<{ at: Date | null }>`
    select max(w.at) as at from log_entry w
    where w.unit_id = ${unitId} and w.at > ${since}
      and w.kind in ('taken-off', 'taken-off-again', 'put-back', 'replaced', 'struck-off')
      and (${system ?? null}::text is null or coalesce((
        select o.facts ->> 'system' from log_entry o
        where o.unit_id = w.unit_id and o.kind in ('taken-off', 'thing-changed')
          and o.facts ->> 'thingId' = w.facts ->> 'thingId' and o.facts ? 'system'
        order by o.place desc limit 1), ${system ?? null}) = ${system ?? null})`.execute(trx);
  return rows[0]?.at?.toISOString() ?? null;
}
