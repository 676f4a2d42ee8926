import { OPEN_JOB_STATES } from '@hudrik/core/card';
import type { RaisedJob, Reason, Verdict } from '@hudrik/core/verdict';
import type { Trx } from '../database/tables';

interface Raising {
  readonly unitId: number;
  readonly checkInId: string;
  readonly verdict: Verdict;
  readonly at: Date;
}

/** Makes the verdict's work into jobs. Work that is already open gets the new reasons and the stricter block. Out: the jobs' ids. */
export async function raiseJobs(trx: Trx, raising: Raising): Promise<string[]> {
  const ids: string[] = [];
  for (const job of raising.verdict.jobs) ids.push(await raise(trx, raising, job));
  return ids;
}

const STRICTNESS = ['none', 'prep', 'hold'] as const;

async function raise(trx: Trx, { unitId, checkInId, verdict, at }: Raising, job: RaisedJob): Promise<string> {
  const reasons = reasonsFor(verdict, job);
  const why = reasons.map((reason) => reason.sentence);
  const existing = await trx
    .selectFrom('job')
    .selectAll()
    .where('unit_id', '=', unitId)
    .where('work', '=', job.work)
    .where('state', 'in', OPEN_JOB_STATES)
    .executeTakeFirst();
  if (existing) {
    const blocks = STRICTNESS[Math.max(STRICTNESS.indexOf(existing.blocks), STRICTNESS.indexOf(job.blocks))] ?? 'hold';
    await trx
      .updateTable('job')
      .set({ blocks, why: JSON.stringify([...new Set([...why, ...existing.why])]), version: existing.version + 1 })
      .where('id', '=', existing.id)
      .execute();
    return String(existing.id);
  }
  const { id } = await trx
    .insertInto('job')
    .values({
      unit_id: unitId,
      check_in_id: checkInId,
      kind: job.kind,
      work: job.work,
      title: job.title,
      minutes: job.minutes,
      blocks: job.blocks,
      origins: JSON.stringify(job.origins),
      why: JSON.stringify(why),
      caution: reasons.find((reason) => reason.caution)?.caution ?? null,
      raised_at: at,
      started_by: null,
      closed_by: null,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  return String(id);
}

const reasonsFor = (verdict: Verdict, job: RaisedJob): Reason[] =>
  verdict.reasons.filter((reason) =>
    job.origins.some((origin) => origin.kind === reason.origin.kind && origin.id === reason.origin.id),
  );
