import type { CardEntry } from '@hudrik/core/card';
import type { Db, Trx } from '../database/tables';

/** All entries of a job's card, in the order in which they were taken. */
export async function cardEntries(db: Db | Trx, jobId: number): Promise<CardEntry[]> {
  const rows = await db
    .selectFrom('job_entry as e')
    .leftJoin('person as p', 'p.id', 'e.person_id')
    .select(['e.id', 'e.at', 'p.name as by', 'e.kind', 'e.facts'])
    .where('e.job_id', '=', jobId)
    .orderBy('e.place')
    .execute();
  return rows.map(
    (row) => ({ id: row.id, at: row.at.toISOString(), by: row.by, kind: row.kind, facts: row.facts }) as CardEntry,
  );
}
