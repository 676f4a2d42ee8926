import type { Defect } from '@hudrik/core/contracts';
import { inOrderOfWeight, sayCloser } from '@hudrik/core/defects';
import type { Db } from '../database/tables';

/** The open defects of a unit, worst first, each with what closes it and the open job that does something about it. */
export async function readDefects(db: Db, unitId: number): Promise<Defect[]> {
  const rows = await db
    .selectFrom('defect as d')
    .leftJoin('log_entry as l', 'l.id', 'd.found_by')
    .leftJoin('person as p', 'p.id', 'l.person_id')
    .leftJoin('job as j', (join) => join.onRef('j.id', '=', 'd.job_id').on('j.closed_at', 'is', null))
    .selectAll('d')
    .select(['p.name as by', 'j.id as open_job_id'])
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
        jobId: row.open_job_id === null ? null : String(row.open_job_id),
        causes: row.causes,
        foundAt: row.found_at.toISOString(),
        by: row.by,
        seenAt: row.seen_at.toISOString(),
      };
    }),
  );
}
