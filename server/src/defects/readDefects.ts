import type { Defect } from '@hudrik/core/contracts';
import { inOrderOfWeight, sayCloser } from '@hudrik/core/defects';
import type { Db } from '../database/tables';

/** The open defects of a unit, worst first, each with what closes it. */
export async function readDefects(db: Db, unitId: number): Promise<Defect[]> {
  const rows = await db
    .selectFrom('defect as d')
    .leftJoin('log_entry as l', 'l.id', 'd.found_by')
    .leftJoin('person as p', 'p.id', 'l.person_id')
    .selectAll('d')
    .select('p.name as by')
    .where('d.unit_id', '=', unitId)
    .where('d.closed_at', 'is', null)
    .execute();
  return inOrderOfWeight(
    rows.map((row): Defect => {
      const origin = {
        kind: row.origin_kind,
        id: row.origin_id,
        ...(row.exception === '' ? {} : { exception: row.exception }),
      };
      return {
        id: row.id,
        origin,
        sentence: row.sentence,
        weight: row.weight,
        safety: row.safety,
        caution: row.caution,
        closer: sayCloser(origin),
        jobId: row.job_id === null ? null : String(row.job_id),
        foundAt: row.found_at.toISOString(),
        by: row.by,
        seenAt: row.seen_at.toISOString(),
      };
    }),
  );
}
