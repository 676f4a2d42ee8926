import type { Taker } from '../log/taking';
import { refuse } from '../refusal';
import { closeDefects } from './closeDefects';
import { openDefects } from './openDefects';

/** A defect written down by hand: it hangs on no check, and closes with a technician's look. */
export const takeDefect: Taker<'defect-found'> = async ({
  change,
  id,
  facts: { sentence, weight, safety },
  record,
}) => {
  await record({});
  const found = { origin: { kind: 'by-hand', id }, sentence, weight, safety, caution: null, work: null } as const;
  await openDefects(change.trx, { unitId: change.unit.id, entryId: id, at: change.at }, [found]);
};

/** Somebody has looked: it was put right, or it was all right. A second who says so finds it closed, and is told by whom. */
export const takeClosing: Taker<'defect-closed'> = async ({ change, id, facts: { defectId, how }, record }) => {
  const { trx, unit, at } = change;
  const defect = await trx
    .selectFrom('defect')
    .select(['sentence', 'closed_at', 'closed_by', 'job_id'])
    .where('id', '=', defectId)
    .where('unit_id', '=', unit.id)
    .executeTakeFirst();
  if (defect === undefined) return refuse('not-found', { defect: defectId });
  if (defect.closed_at !== null) {
    const closer = await trx
      .selectFrom('log_entry as l')
      .leftJoin('person as p', 'p.id', 'l.person_id')
      .select('p.name')
      .where('l.id', '=', defect.closed_by)
      .executeTakeFirst();
    return refuse('defect-closed', { sentence: defect.sentence, by: closer?.name ?? null });
  }
  await record({ outcome: { sentence: defect.sentence } });
  await closeDefects(trx, [defectId], { entryId: id, how, at });
};
