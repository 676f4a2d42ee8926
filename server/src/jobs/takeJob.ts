import {
  checksOf,
  classOf,
  DERIVED_FINDINGS,
  FIND_FAULT,
  methodOfWork,
  workOfItem,
  type JobKind,
  type RaisedWork,
} from '@hudrik/core/catalogue';
import { remedyOf } from '@hudrik/core/defects';
import type { UnitPlan } from '@hudrik/core/service';
import { openJob } from '../cards/beginJob';
import { mustHaveNoStepLeft } from '../cards/endByProof';
import { jobBackground } from '../cards/jobBackground';
import { listMissingSteps } from '../cards/listMissingSteps';
import type { Taker } from '../log/taking';
import { refuse } from '../refusal';
import { closeDefects } from '../defects/closeDefects';
import { originOf } from '../defects/lookedAt';
import { openDefects } from '../defects/openDefects';
import { openDefect } from '../defects/takeDefect';
import type { UnitChange } from '../log/changeUnit';
import { idsOf, sentencesOf, signatureOf } from '../defects/signing';
import { planOfUnit } from '../service/modelPlans';
import { recordService } from '../service/recordService';
import { reserveKit } from '../service/reserveKit';
import { closeJob } from './closeJob';
import type { JobRow, Trx, VisitRow } from '../database/tables';
import { mustBeTogether } from '../visits/atRest';
import { settleVisit } from '../visits/settleVisit';
import { needsOfJob } from '../visits/needsOfJob';
import { entriesOfVisit, visitOfJob } from '../visits/visits';
import { insertJob } from './insertJob';
import { jobUnderLock } from './jobUnderLock';
import { openJobFor } from './openJobFor';

/** A job raised by hand. Unless it is a known service it is work of its own: nothing that is found later is added to it. */
export const raiseJob: Taker<'job-raised'> = async ({ change, actor, id, facts, record }) => {
  const { trx, unit, at } = change;
  const { minutes, blocks } = facts;
  const remedy = facts.defectId === undefined ? null : await remedyFor(change, facts.defectId);
  const { kind, title } = remedy ?? facts;
  const plan = await planOfUnit(trx, unit.id);
  if (facts.work !== undefined) mustBeInThePlan(plan, { kind, work: facts.work });
  const work = remedy?.work ?? facts.work ?? `by-hand-${id}`;
  const open = await openJobFor(trx, unit.id, work);
  if (open !== null) return refuse('already-there', { jobId: String(open) });
  const job = await insertJob(trx, { unitId: unit.id, at, kind, work, title, minutes, blocks });
  if (facts.defectId !== undefined)
    await trx.updateTable('defect').set({ job_id: job.id }).where('id', '=', facts.defectId).execute();
  const kit = await reserveKit(change, { actor, job, plan });
  await record({ jobId: job.id, outcome: { jobId: String(job.id), ...(kit === null ? {} : { kit }) } });
  // One that is there for what was found already finds nothing anew.
  if (blocks !== 'none' && facts.defectId === undefined) {
    const origin = { kind: 'by-hand', id } as const;
    const found = { origin, sentence: `${title}.`, weight: blocks, safety: false, caution: null, work };
    await openDefects(trx, { unitId: unit.id, entryId: id, at }, [found]);
  }
  return undefined;
};

/** What puts a defect right of which nothing is being done; null where nobody knows of a work for it. */
async function remedyFor(
  { trx, unit }: Pick<UnitChange, 'trx' | 'unit'>,
  defectId: string,
): Promise<RaisedWork | null> {
  const defect = await openDefect(trx, unit.id, defectId);
  const checks = checksOf(classOf(unit.class_id));
  return remedyOf(originOf(defect), { checks, derived: DERIVED_FINDINGS, findFault: FIND_FAULT });
}

/** Work that a counter hangs on is a service, and one of the unit's own plan. */
function mustBeInThePlan(plan: UnitPlan, { kind, work }: { readonly kind: JobKind; readonly work: string }): void {
  const isItsOwn = plan.items.some((item) => workOfItem(item) === work);
  const isStanding =
    (kind === 'lay-up' && methodOfWork(work) !== undefined) || (kind === 'wake-up' && work.startsWith('wake-up-'));
  if (!isStanding && (kind !== 'service' || !isItsOwn)) refuse('not-valid', { field: 'work' });
}

/** A waiting job is taken to the bench. One that is there already stays as it is: two people may say so. */
export const startJob: Taker<'job-started'> = async ({ change, actor, place, record }) => {
  const { job, visit } = await openPlace(change.trx, place.jobId);
  if (job.state !== 'open') await openJob(change, job, visit, actor);
  await record({ jobId: job.id, outcome: { title: job.title } });
  if (job.state !== 'open') await listMissingSteps(change, job, visit.id, 'start');
};

/** Signs off what ends with a look. What must run is done when its visit's proof has passed. */
export const finishJob: Taker<'job-finished'> = async ({ change, actor, id, at: signedAt, place, facts, record }) => {
  const { trx, unit, at } = change;
  const { job, visit } = await openPlace(trx, place.jobId);
  if (needsOfJob(job, (await jobBackground(trx, job)).causes).length > 0) refuse('not-proven', { kind: job.kind });
  await mustBeTogether(trx, visit.id, job.id);
  // Its unit stands by what was done to it: all of it, then.
  if (job.kind === 'lay-up') mustHaveNoStepLeft(await entriesOfVisit(trx, visit.id), [job]);
  const signature = await signatureOf(trx, { unit, jobIds: [job.id], facts, at: signedAt });
  const kept = await recordService(trx, job, at);
  await record({
    jobId: job.id,
    outcome: {
      title: job.title,
      closed: sentencesOf(signature.right),
      leftOpen: sentencesOf(signature.leftOpen),
      ...(kept === undefined ? {} : { kept }),
    },
  });
  await closeDefects(trx, idsOf(signature.right), { entryId: id, how: 'put-right', at });
  await closeJob(change, job, { state: 'done', note: facts.note, actor });
  await settleVisit(change, visit);
};

/** A job that will not be done, with a reason. What it was there for stays: dropping closes no defect. */
export const dropJob: Taker<'job-dropped'> = async ({ change, actor, place, facts, record }) => {
  const { job, visit } = await openPlace(change.trx, place.jobId);
  await record({ jobId: job.id, outcome: { title: job.title } });
  await closeJob(change, job, { state: 'dropped', why: facts.why, actor });
  await settleVisit(change, visit);
};

/** A job that is left for a later visit, with a reason. */
export const putJobOff: Taker<'job-put-off'> = async ({ change, place, record }) => {
  const { trx } = change;
  const { job, visit } = await openPlace(trx, place.jobId);
  await record({ jobId: job.id, outcome: { title: job.title } });
  await trx
    .updateTable('job')
    .set({ state: 'put-off', version: job.version + 1 })
    .where('id', '=', job.id)
    .execute();
  await settleVisit(change, visit);
};

/** A job that is not ended, with its visit. */
async function openPlace(trx: Trx, jobId: string | null): Promise<{ job: JobRow; visit: VisitRow }> {
  const job = await jobUnderLock(trx, jobId);
  return { job, visit: await visitOfJob(trx, job.id) };
}
