import { OPEN_JOB_STATES } from '@hudrik/core/card';
import { openJob } from '../cards/beginJob';
import { listMissingSteps } from '../cards/listMissingSteps';
import type { Taker } from '../log/taking';
import { refuse } from '../refusal';
import { closeDefects, lookedAtAll } from '../defects/closeDefects';
import { openDefects } from '../defects/openDefects';
import { closeJob, startCounterAnew } from './closeJob';
import { endsWithALook } from './endsWithALook';
import { jobUnderLock } from './jobUnderLock';
import { mustBeTogether } from './thingsOff';

/** A job raised by hand. Unless it is a known service it is work of its own: nothing that is found later is added to it. */
export const raiseJob: Taker<'job-raised'> = async ({ change, id, facts, record }) => {
  const { trx, unit, at } = change;
  const { kind, title, minutes, blocks } = facts;
  const work = facts.work ?? `by-hand-${id}`;
  const open = await trx
    .selectFrom('job')
    .select('id')
    .where('unit_id', '=', unit.id)
    .where('work', '=', work)
    .where('state', 'in', OPEN_JOB_STATES)
    .executeTakeFirst();
  if (open) return refuse('already-there', { jobId: String(open.id) });
  const job = await trx
    .insertInto('job')
    .values({
      unit_id: unit.id,
      check_in_id: null,
      kind,
      work,
      title,
      minutes,
      blocks,
      origins: '[]',
      why: JSON.stringify([]),
      caution: null,
      raised_at: at,
      started_by: null,
      closed_by: null,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  await record({ jobId: job.id, outcome: { jobId: String(job.id) } });
  if (blocks !== 'none') {
    const origin = { kind: 'by-hand', id } as const;
    const found = { origin, sentence: `${title}.`, weight: blocks, safety: false, caution: null, work };
    await openDefects(trx, { unitId: unit.id, entryId: id, at }, [found]);
  }
  return undefined;
};

/** A waiting job is taken to the bench. One that is there already stays as it is: two people may say so. */
export const startJob: Taker<'job-started'> = async ({ change, actor, place, record }) => {
  const job = await jobUnderLock(change.trx, place.jobId);
  if (job.state === 'waiting') await openJob(change, job, actor);
  await record({ jobId: job.id, outcome: { title: job.title } });
  if (job.state === 'waiting') await listMissingSteps(change, job, 'start');
};

/** Signs off what ends with a look. What must run is done when its card's proof has passed. */
export const finishJob: Taker<'job-finished'> = async ({ change, actor, id, place, facts, record }) => {
  const { trx, at } = change;
  const job = await jobUnderLock(trx, place.jobId);
  if (!endsWithALook(job.kind)) refuse('not-proven', { kind: job.kind });
  await mustBeTogether(trx, job.id);
  const right = await lookedAtAll(trx, job.id, facts.looks);
  const kept = await startCounterAnew(trx, job);
  const closed = right.map((defect) => defect.sentence);
  await record({ jobId: job.id, outcome: { title: job.title, closed, ...(kept === undefined ? {} : { kept }) } });
  await closeDefects(
    trx,
    right.map((defect) => defect.id),
    { entryId: id, how: 'put-right', at },
  );
  await closeJob(change, job, { state: 'done', note: facts.note, actor });
};

/** A job that will not be done, with a reason. What it was there for stays: dropping closes no defect. */
export const dropJob: Taker<'job-dropped'> = async ({ change, actor, place, facts, record }) => {
  const job = await jobUnderLock(change.trx, place.jobId);
  await mustBeTogether(change.trx, job.id);
  await record({ jobId: job.id, outcome: { title: job.title } });
  await closeJob(change, job, { state: 'dropped', why: facts.why, actor });
};
