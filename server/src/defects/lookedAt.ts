import {
  checksOf,
  classOf,
  CLOCKS,
  DERIVED_FINDINGS,
  entryOf,
  FAULTS,
  FIND_FAULT,
  folderOf,
  PROOF_NEEDS_OF,
  type Check,
} from '@hudrik/core/catalogue';
import { asksProof, lookRefusal, remedyOf, type DefectOrigin } from '@hudrik/core/defects';
import { cardOf } from '@hudrik/core/log';
import { measuredFor, ratedOf } from '@hudrik/core/ratings';
import type { Db, DefectRow, Trx, UnitRow } from '../database/tables';
import { ratingsOfUnit } from '../fleet/models';
import { refuse } from '../refusal';
import { needsOfJob } from '../visits/needsOfJob';
import { jobBackground } from '../cards/jobBackground';
import { entriesOfVisit, findOpenVisit } from '../visits/visits';
import type { Look } from './look';
import { mustBeWithin } from './withinLimits';
import { workedAt } from './workedAt';

export const originOf = (row: Pick<DefectRow, 'origin_kind' | 'origin_id' | 'exception'>): DefectOrigin => ({
  kind: row.origin_kind,
  id: row.origin_id,
  ...(row.exception === '' ? {} : { exception: row.exception }),
});

/** Refused where a look, or a signature under a proof, may not close this defect as it stands. */
export async function mustClose(trx: Trx, defect: DefectRow, look: Look): Promise<void> {
  const check = await checkOf(trx, defect, look.unit);
  if (!look.proof) await mustBeLook(trx, defect, look, check);
  if (look.how !== 'put-right') return;
  if (check?.measured) await mustBeWithin(trx, defect, check, look);
  await mustBeShown(trx, defect, look.signed ?? []);
}

async function mustBeLook(trx: Trx, defect: DefectRow, look: Look, check: Check | undefined): Promise<void> {
  const refused = lookRefusal(
    {
      origin: originOf(defect),
      ...{ sentence: defect.sentence, seenAt: defect.seen_at.toISOString(), safety: defect.safety },
      ...{ sightings: defect.sightings, asksProof: await wantsProof(trx, defect, look.unit) },
    },
    {
      ...{ at: look.at.toISOString(), how: look.how, system: check?.system },
      off: await offOf(trx, look.unit.id),
      workedAt: await workedAt(trx, look.unit.id, look.at, check?.system),
      signsWork: look.signed !== undefined,
      byLead: look.byLead === true,
      witnessed: look.witnessed === true,
    },
  );
  if (refused === null) return;
  if (refused.code === 'needs-proof') {
    const jobId = defect.job_id === null ? null : String(defect.job_id);
    return refuse('needs-proof', { id: defect.id, sentence: defect.sentence, jobId });
  }
  const { sentence } = defect;
  if (refused.code === 'look-too-old') return refuse('look-too-old', { seenAt: refused.seenAt, sentence });
  if (refused.code === 'worked-since') return refuse('worked-since', { at: refused.at, sentence });
  if (refused.code === 'things-off') return refuse('things-off', { things: refused.things, sentence });
  if (refused.code === 'second-wanted') return refuse('second-wanted', { why: refused.why, sentence });
  return refuse('closes-otherwise', { sentence });
}

/** Whether what puts it right asks a proof: by what found it, and by the job that is there for it. */
export async function wantsProof(trx: Db, defect: DefectRow, unit: Pick<UnitRow, 'class_id'>): Promise<boolean> {
  const known = { checks: checksOf(classOf(unit.class_id)), derived: DERIVED_FINDINGS, findFault: FIND_FAULT };
  if (asksProof(remedyOf(originOf(defect), known), PROOF_NEEDS_OF)) return true;
  if (defect.job_id === null || defect.origin_kind !== 'by-hand') return false;
  const job = await trx.selectFrom('job').selectAll().where('id', '=', defect.job_id).executeTakeFirstOrThrow();
  return needsOfJob(job, (await jobBackground(trx, job)).causes).length > 0;
}

/** The check that found it, with this unit's limits; nothing for what no check of today finds. */
async function checkOf(trx: Trx, defect: DefectRow, unit: UnitRow): Promise<Check | undefined> {
  if (defect.origin_kind !== 'check') return undefined;
  const check = checksOf(classOf(unit.class_id)).find((one) => one.id === defect.origin_id);
  if (check?.measured === undefined) return check;
  const { rated } = folderOf(unit.class_id);
  const own = await ratingsOfUnit(trx, unit);
  return measuredFor(check, rated, ratedOf(rated, own.model, own.unit));
}

async function offOf(trx: Trx, unitId: number): Promise<{ what: string; system?: string | undefined }[]> {
  const visit = await findOpenVisit(trx, unitId);
  if (visit === undefined) return [];
  const { ledger } = cardOf(await entriesOfVisit(trx, visit.id));
  return [...ledger.putBack, ...ledger.onTrial];
}

/** Some findings want more than a look: a wait that ended well, or the cause put right. */
async function mustBeShown(trx: Trx, defect: DefectRow, signed: readonly DefectRow[]): Promise<void> {
  if (defect.origin_kind !== 'derived') return;
  const wants = DERIVED_FINDINGS.find((rule) => rule.id === defect.origin_id)?.closesBy;
  if (wants === undefined) return;
  const { results, name } = CLOCKS[wants.clock];
  const good = Object.keys(results).filter((id) => results[id]?.[1] === true);
  const waited = await trx
    .selectFrom('clock')
    .select('id')
    .where('unit_id', '=', defect.unit_id)
    .where('kind', '=', wants.clock)
    .where('result', 'in', good)
    // One that was cut short shows nothing of what can hurt.
    .where('short', '=', false)
    .where('started_at', '>=', defect.found_at)
    .executeTakeFirst();
  if (waited) return;
  const causes = await trx
    .selectFrom('defect')
    .select(['id', 'origin_id', 'closed_how'])
    .where('unit_id', '=', defect.unit_id)
    .where('origin_kind', '=', 'cause')
    .where('seen_at', '>=', defect.found_at)
    .execute();
  const isRight = ({ id, closed_how: how }: (typeof causes)[number]): boolean =>
    how === 'put-right' || signed.some((one) => one.id === id);
  if (causes.some((cause) => entryOf(FAULTS, cause.origin_id)?.family === wants.orFamily && isRight(cause))) return;
  refuse('not-shown-yet', { id: defect.id, sentence: defect.sentence, wants: name });
}
