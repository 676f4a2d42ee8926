import { cardOf, STANDING_STATES } from '@hudrik/core/card';
import type { JobLine } from '@hudrik/core/contracts';
import { beginJob } from '../cards/beginJob';
import { cardEntries } from '../cards/cardEntries';
import type { Actor, Context } from '../context';
import type { JobRow } from '../database/tables';
import { record } from '../fleet/history';
import { refreshReadiness } from '../fleet/refreshReadiness';
import { lockUnit } from '../fleet/units';
import { refuse } from '../refusal';
import { closeJob } from './closeJob';
import { endsWithALook } from './endsWithALook';
import { jobRows, toJobLine } from './jobLines';
import { lockJob } from './lockJob';

export async function readJobs(
  { db }: Context,
  query: { state: string; tag?: string | undefined },
): Promise<{ jobs: JobLine[] }> {
  const rows = await jobRows(db)
    .$if(query.state === 'open', (q) => q.where('j.state', 'in', STANDING_STATES))
    .$if(query.tag !== undefined, (q) => q.where('ju.tag', '=', query.tag as string))
    .limit(300)
    .execute();
  return { jobs: rows.map(toJobLine) };
}

const readJob = async ({ db }: Pick<Context, 'db'>, id: number): Promise<JobLine> =>
  toJobLine(await jobRows(db).where('j.id', '=', id).executeTakeFirstOrThrow());

export interface HandJob {
  readonly tag: string;
  readonly kind: JobRow['kind'];
  readonly title: string;
  readonly minutes: number;
  readonly blocks: JobRow['blocks'];
}

/** Raises a job by hand. */
export async function addJob(context: Context, actor: Actor, fresh: HandJob): Promise<JobLine> {
  const id = await context.db.transaction().execute(async (trx) => {
    const unit = await lockUnit(trx, fresh.tag);
    const at = context.now();
    const work = fresh.kind === 'service' ? 'oil-service' : `by-hand-${at.getTime()}`;
    const standing = await trx
      .selectFrom('job')
      .select('id')
      .where('unit_id', '=', unit.id)
      .where('work', '=', work)
      .where('state', 'in', STANDING_STATES)
      .executeTakeFirst();
    if (standing) return refuse('already-there', { jobId: String(standing.id) });
    const row = await trx
      .insertInto('job')
      .values({
        unit_id: unit.id,
        check_in_id: null,
        kind: fresh.kind,
        work,
        title: fresh.title,
        minutes: fresh.minutes,
        blocks: fresh.blocks,
        origins: '[]',
        why: JSON.stringify([]),
        caution: null,
        raised_at: at,
        started_by: null,
        closed_by: null,
      })
      .returning('id')
      .executeTakeFirstOrThrow();
    await record(trx, {
      unitId: unit.id,
      at,
      kind: 'job-raised',
      personId: actor.id,
      facts: { jobId: String(row.id), title: fresh.title, kind: fresh.kind },
    });
    await refreshReadiness(trx, unit.id, at);
    return row.id;
  });
  return readJob(context, id);
}

export async function startJob(context: Context, actor: Actor, id: string): Promise<JobLine> {
  await context.db.transaction().execute(async (trx) => {
    const job = await lockJob(trx, id);
    if (job.state === 'waiting') await beginJob(trx, job, actor, context.now());
  });
  return readJob(context, Number(id));
}

/** Signs off what ends with a look. What must run is done when its card's proof has passed. */
export async function finishJob(
  context: Context,
  actor: Actor,
  id: string,
  { note }: { note: string },
  seenVersion: number | null,
): Promise<JobLine> {
  await context.db.transaction().execute(async (trx) => {
    const job = await lockJob(trx, id);
    if (seenVersion !== null && seenVersion !== job.version) refuse('changed-meanwhile', { version: job.version });
    if (!endsWithALook(job.kind)) refuse('not-proven', { kind: job.kind });
    const { ledger } = cardOf(await cardEntries(trx, job.id));
    if (!ledger.complete)
      refuse('card-refused', {
        why: { code: 'things-off', things: [...ledger.putBack, ...ledger.onTrial].map((thing) => thing.what) },
      });
    await closeJob(trx, job, { state: 'done', with: { note }, at: context.now(), actor });
    await refreshReadiness(trx, job.unit_id, context.now());
  });
  return readJob(context, Number(id));
}

export async function dropJob(
  context: Context,
  actor: Actor,
  id: string,
  why: string,
  seenVersion: number | null,
): Promise<JobLine> {
  await context.db.transaction().execute(async (trx) => {
    const job = await lockJob(trx, id);
    if (seenVersion !== null && seenVersion !== job.version) refuse('changed-meanwhile', { version: job.version });
    await closeJob(trx, job, { state: 'dropped', with: { why }, at: context.now(), actor });
    await refreshReadiness(trx, job.unit_id, context.now());
  });
  return readJob(context, Number(id));
}
