import type { Defect } from '@hudrik/core/contracts';
import { endsByLook, inOrderOfWeight, sayCloser, secondFor } from '@hudrik/core/defects';
import type { Db, DefectRow } from '../database/tables';
import { wantsProof } from './lookedAt';

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
    .orderBy('d.found_at')
    // Of one moment, always in the same order.
    .orderBy('d.id')
    .execute();
  const { class_id: classId } = await db
    .selectFrom('unit')
    .select('class_id')
    .where('id', '=', unitId)
    .executeTakeFirstOrThrow();
  const defects: Defect[] = [];
  for (const row of rows) defects.push(toDefect(row, await wantsProof(db, row, { class_id: classId })));
  return inOrderOfWeight(defects);
}

type Row = DefectRow & { readonly by: string | null; readonly open_job_id: number | null };

function toDefect(row: Row, asksProof: boolean): Defect {
  const { origin_kind: kind, exception, safety, sightings } = row;
  const origin = { kind, id: row.origin_id, ...(exception === '' ? {} : { exception }) };
  return {
    ...{ id: row.id, origin, sentence: row.sentence, weight: row.weight, safety, caution: row.caution },
    closer: sayCloser(origin),
    jobId: row.open_job_id === null ? null : String(row.open_job_id),
    causes: row.causes,
    foundAt: row.found_at.toISOString(),
    by: row.by,
    seenAt: row.seen_at.toISOString(),
    looks: [...endsByLook({ origin, asksProof })],
    second: secondFor({ origin, safety, sightings, asksProof }),
    toldBy: kind === 'told' ? row.found_by : null,
  };
}
