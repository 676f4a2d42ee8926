import type { JobLine } from '@hudrik/core/contracts';
import type { Actor, Context } from '../context';
import { teachBy } from '../findings/learned';
import type { JobRow, Trx } from '../database/tables';
import { record } from '../fleet/history';
import { lastReading } from '../fleet/meters';
import { refreshReadiness } from '../fleet/refreshReadiness';
import { lockUnit, lockUnitById } from '../fleet/units';
import { refuse } from '../refusal';
import { jobRows, toJobLine } from './jobLines';

export async function readJobs({ db }: Context, query: { state: string; tag?: string | undefined }): Promise<{ jobs: JobLine[] }> {
  const rows = await jobRows(db)
    .$if(query.state === 'open', (q) => q.where('j.state', 'in', ['waiting', 'open']))
    .$if(query.tag !== undefined, (q) => q.where('ju.tag', '=', query.tag as string))
    .limit(300)
    .execute();
  return { jobs: rows.map(toJobLine) };
}

const readJob = async ({ db }: Pick<Context, 'db'>, id: number): Promise<JobLine> => toJobLine(await jobRows(db).where('j.id', '=', id).executeTakeFirstOrThrow());

export interface HandJob {
  readonly tag: string;
  readonly kind: JobRow['kind'];
  readonly says: string;
  readonly minutes: number;
  readonly blocks: JobRow['blocks'];
}

/** Raises a job by hand. */
export async function addJob(context: Context, actor: Actor, fresh: HandJob): Promise<JobLine> {
  const id = await context.db.transaction().execute(async (trx) => {
    const unit = await lockUnit(trx, fresh.tag);
    const at = context.now();
    const work = fresh.kind === 'service' ? 'oil-service' : `by-hand-${at.getTime()}`;
    const standing = await trx.selectFrom('job').select('id').where('unit_id', '=', unit.id).where('work', '=', work).where('state', 'in', ['waiting', 'open']).executeTakeFirst();
    if (standing) return refuse('already-there', { jobId: String(standing.id) });
    const row = await trx
      .insertInto('job')
      .values({ unit_id: unit.id, check_in_id: null, kind: fresh.kind, work, says: fresh.says, minutes: fresh.minutes, blocks: fresh.blocks, origins: '[]', why: JSON.stringify([]), caution: null, raised_at: at, started_by: null, closed_by: null })
      .returning('id')
      .executeTakeFirstOrThrow();
    await record(trx, { unitId: unit.id, at, kind: 'job-raised', personId: actor.id, facts: { jobId: String(row.id), says: fresh.says, kind: fresh.kind } });
    await refreshReadiness(trx, unit.id, at);
    return row.id;
  });
  return readJob(context, id);
}

async function lockJob(trx: Trx, id: string): Promise<JobRow> {
  const seen = /^\d{1,15}$/.test(id) ? await trx.selectFrom('job').select('unit_id').where('id', '=', Number(id)).executeTakeFirst() : undefined;
  if (seen === undefined) return refuse('not-found', { job: id });
  await lockUnitById(trx, seen.unit_id);
  const job = await trx.selectFrom('job').selectAll().where('id', '=', Number(id)).executeTakeFirstOrThrow();
  if (job.closed_at !== null) refuse('job-closed', { state: job.state });
  return job;
}

export async function startJob(context: Context, actor: Actor, id: string): Promise<JobLine> {
  await context.db.transaction().execute(async (trx) => {
    const job = await lockJob(trx, id);
    const at = context.now();
    await trx.updateTable('job').set({ state: 'open', started_at: at, started_by: actor.id, version: job.version + 1 }).where('id', '=', job.id).execute();
    await record(trx, { unitId: job.unit_id, at, kind: 'job-started', personId: actor.id, facts: { jobId: id, says: job.says } });
  });
  return readJob(context, Number(id));
}

export interface JobDone {
  readonly note: string;
  readonly proof: { readonly minutesUnderLoad: number; readonly load: string; readonly passed: boolean } | null;
}

/** A prep or lay-up ends with a look; everything else ends with a run under load that passed. */
const ENDS_WITH_A_LOOK: readonly JobRow['kind'][] = ['prep', 'lay-up'];

export async function finishJob(context: Context, actor: Actor, id: string, done: JobDone, seenVersion: number | null): Promise<JobLine> {
  await context.db.transaction().execute(async (trx) => {
    const job = await lockJob(trx, id);
    if (seenVersion !== null && seenVersion !== job.version) refuse('changed-meanwhile', { version: job.version });
    if (!ENDS_WITH_A_LOOK.includes(job.kind) && done.proof?.passed !== true) refuse('not-proven', { kind: job.kind });
    await closeJob(trx, job, { state: 'done', with: { note: done.note, proof: done.proof }, at: context.now(), actor });
    await teachBy(trx, job, context.now());
    if (job.work === 'oil-service') await restartOilService(trx, job.unit_id);
    await refreshReadiness(trx, job.unit_id, context.now());
  });
  return readJob(context, Number(id));
}

export async function dropJob(context: Context, actor: Actor, id: string, why: string, seenVersion: number | null): Promise<JobLine> {
  await context.db.transaction().execute(async (trx) => {
    const job = await lockJob(trx, id);
    if (seenVersion !== null && seenVersion !== job.version) refuse('changed-meanwhile', { version: job.version });
    await closeJob(trx, job, { state: 'dropped', with: { why }, at: context.now(), actor });
    await refreshReadiness(trx, job.unit_id, context.now());
  });
  return readJob(context, Number(id));
}

interface Closing {
  readonly state: 'done' | 'dropped';
  readonly with: Readonly<Record<string, unknown>>;
  readonly at: Date;
  readonly actor: Actor;
}

async function closeJob(trx: Trx, job: JobRow, closing: Closing): Promise<void> {
  await trx
    .updateTable('job')
    .set({ state: closing.state, closed_at: closing.at, closed_by: closing.actor.id, closed_with: JSON.stringify(closing.with), version: job.version + 1 })
    .where('id', '=', job.id)
    .execute();
  await record(trx, { unitId: job.unit_id, at: closing.at, kind: `job-${closing.state}`, personId: closing.actor.id, facts: { jobId: String(job.id), says: job.says, kind: job.kind, ...closing.with } });
}

async function restartOilService(trx: Trx, unitId: number): Promise<void> {
  const { trueHours } = await lastReading(trx, unitId);
  await trx.updateTable('unit').set({ last_oil_service_true_hours: trueHours }).where('id', '=', unitId).execute();
}
