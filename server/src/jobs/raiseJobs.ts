import { OPEN_JOB_STATES } from '@hudrik/core/card';
import type { RaisedJob, Reason, Verdict } from '@hudrik/core/verdict';
import type { Trx } from '../database/tables';
import { joinVisit } from '../visits/visits';

interface Raising {
  readonly unitId: number;
  readonly checkInId: string;
  readonly verdict: Verdict;
  readonly at: Date;
}

/**
 * Makes the verdict's work into jobs. Work that is open already is one job with it: it gets the new reasons, and what is stricter, longer or
 * more dangerous of the two. Out: the jobs' ids.
 */
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
      .set({
        blocks,
        minutes: Math.max(existing.minutes, job.minutes),
        why: JSON.stringify([...new Set([...why, ...existing.why])]),
        origins: JSON.stringify(uniqueOrigins([...job.origins, ...existing.origins])),
        caution: cautionOf(reasons) ?? existing.caution,
        // What was told on the telephone has none yet: what this one saw is its background.
        check_in_id: existing.check_in_id ?? checkInId,
        version: existing.version + 1,
      })
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
      caution: cautionOf(reasons),
      raised_at: at,
      started_by: null,
      closed_by: null,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  await joinVisit(trx, { id, unit_id: unitId }, at);
  return String(id);
}

const cautionOf = (reasons: readonly Reason[]): string | null =>
  reasons.find((reason) => reason.caution)?.caution ?? null;

/** One of each: what was found before stands once, however often it is found again. */
function uniqueOrigins<O extends { readonly kind: string; readonly id: string }>(origins: readonly O[]): O[] {
  return [...new Map(origins.map((origin) => [JSON.stringify(origin), origin])).values()];
}

const reasonsFor = (verdict: Verdict, job: RaisedJob): Reason[] =>
  verdict.reasons.filter((reason) =>
    job.origins.some((origin) => origin.kind === reason.origin.kind && origin.id === reason.origin.id),
  );
