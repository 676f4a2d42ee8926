import type { Turn } from '@hudrik/core/log';
import { sql } from 'kysely';
import type { Trx } from '../database/tables';

/**
 * What turned a unit lately: it was handed out, laid up, woken, sold, bought back or moved. A look that was begun before is a look at how it was
 * then. Only what can still bear on a look that is believed is read.
 */
export async function turnsOf(trx: Trx, unitId: number): Promise<Turn[]> {
  const { rows } = await sql<{ kind: Turn['kind']; at: Date }>`
    select case kind
        when 'check-out' then 'handed-out'
        when 'left-anyway' then 'left-anyway'
        when 'laid-up' then 'laid-up'
        when 'woken' then 'woken'
        else case
          when facts -> 'gone' = 'null'::jsonb then 'came-back'
          when facts ? 'gone' then 'gone'
          when facts ->> 'laidUp' = 'true' then 'laid-up'
          when facts ->> 'laidUp' = 'false' then 'woken'
          else 'moved' end
      end as kind, at
    from log_entry
    where unit_id = ${unitId}
      and (kind in ('check-out', 'left-anyway', 'laid-up', 'woken')
        or (kind = 'unit-changed' and (facts ? 'gone' or facts ? 'laidUp' or facts ? 'homeBay')))
    order by at desc, place desc limit 20`.execute(trx);
  return rows.map(({ kind, at }) => ({ kind, at: at.toISOString() }));
}
