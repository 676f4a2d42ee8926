import { heavier, type FoundDefect } from '@hudrik/core/defects';
import type { Trx } from '../database/tables';
import { openJobFor } from '../jobs/openJobFor';

interface Finding {
  readonly unitId: number;
  /** The entry by which it was found. */
  readonly entryId: string | null;
  /** When it was seen. */
  readonly at: Date;
}

/**
 * What was found wrong: a defect each, or a sighting of the one that is open from the same origin, whose weight only rises. It hangs on the open
 * job that does something about it, where there is one.
 */
export async function openDefects(
  trx: Trx,
  { unitId, entryId, at }: Finding,
  found: readonly FoundDefect[],
): Promise<void> {
  for (const defect of found) {
    const jobId = await openJobFor(trx, unitId, defect.work);
    const seen = await see(trx, unitId, defect, jobId, at);
    if (seen) continue;
    await trx
      .insertInto('defect')
      .values({
        unit_id: unitId,
        origin_kind: defect.origin.kind,
        origin_id: defect.origin.id,
        exception: defect.origin.exception ?? '',
        sentence: defect.sentence,
        weight: defect.weight,
        safety: defect.safety,
        caution: defect.caution,
        job_id: jobId,
        found_at: at,
        found_by: entryId,
        seen_at: at,
        limits: defect.limits ? JSON.stringify(defect.limits) : null,
      })
      .execute();
  }
}

async function see(trx: Trx, unitId: number, found: FoundDefect, jobId: number | null, at: Date): Promise<boolean> {
  const open = await trx
    .selectFrom('defect')
    .select(['id', 'weight', 'job_id', 'safety', 'caution'])
    .where('unit_id', '=', unitId)
    .where('origin_kind', '=', found.origin.kind)
    .where('origin_id', '=', found.origin.id)
    .where('exception', '=', found.origin.exception ?? '')
    .where('closed_at', 'is', null)
    .executeTakeFirst();
  if (open === undefined) return false;
  await trx
    .updateTable('defect')
    .set((eb) => ({
      // One that arrives late is no later sighting: but one more it is.
      seen_at: eb.fn<Date>('greatest', ['seen_at', eb.val(at)]),
      sightings: eb('sightings', '+', 1),
      ...(found.limits ? { limits: JSON.stringify(found.limits) } : {}),
      sentence: found.sentence,
      weight: heavier(open.weight, found.weight),
      safety: open.safety || found.safety,
      caution: found.caution ?? open.caution,
      job_id: jobId ?? open.job_id,
    }))
    .where('id', '=', open.id)
    .execute();
  return true;
}
