import { refusalOf, stateAfter, type CardEntry, type NewCardEntry } from '@hudrik/core/card';
import { CLOCKS, type ClockId } from '@hudrik/core/catalogue';
import { SIGNS_OFF, type CardReply } from '@hudrik/core/contracts';
import type { Actor, Context } from '../context';
import type { JobRow, Trx } from '../database/tables';
import { record } from '../fleet/history';
import { refreshReadiness } from '../fleet/refreshReadiness';
import { lockJob } from '../jobs/lockJob';
import { refuse } from '../refusal';
import { beginJob } from './beginJob';
import { cardEntries } from './cardEntries';
import { endByProof, failProof } from './endByProof';
import { jobBackground, settingOf } from './jobBackground';
import { layCard } from './layCard';
import { readCard } from './readCard';

/** What a device says of the past is believed for so long. */
const BELIEVED_MS = 3 * 86_400_000;

/**
 * One more entry on a card. Sent twice it is taken once. What two people enter merges by itself; what can not is refused with what stands,
 * and the device keeps it until somebody has looked.
 */
export async function addCardEntry(
  context: Context,
  actor: Actor,
  jobId: string,
  fresh: NewCardEntry,
): Promise<CardReply> {
  await context.db.transaction().execute(async (trx) => {
    const twice = await trx.selectFrom('job_entry').select('job_id').where('id', '=', fresh.id).executeTakeFirst();
    if (twice) return String(twice.job_id) === jobId ? undefined : refuse('key-reused', { id: fresh.id });
    const job = await lockJob(trx, jobId);
    if ((fresh.kind === 'proved' || fresh.kind === 'decided') && !SIGNS_OFF.includes(actor.role))
      refuse('not-your-role', { role: actor.role, wants: SIGNS_OFF });
    const now = context.now();
    const at = believed(fresh.at, now);
    if (job.state === 'waiting') await beginJob(trx, job, actor, now);
    else await layCard(trx, job, now, 'template', { onlyOnce: true });
    const { class_id: classId } = await trx
      .selectFrom('unit')
      .select('class_id')
      .where('id', '=', job.unit_id)
      .executeTakeFirstOrThrow();
    const { complaint } = await jobBackground(trx, job);
    const entries = await cardEntries(trx, job.id);
    const refused = refusalOf(
      entries,
      fresh,
      job.state === 'waiting' ? 'open' : job.state,
      settingOf(job, classId, complaint),
      now.toISOString(),
    );
    if (refused) return refuse('card-refused', { why: refused });
    await trx
      .insertInto('job_entry')
      .values({
        id: fresh.id,
        job_id: job.id,
        at,
        person_id: actor.id,
        kind: fresh.kind,
        facts: JSON.stringify(fresh.facts),
      })
      .execute();
    await trx
      .updateTable('job')
      .set({ state: fresh.kind === 'proved' ? job.state : stateAfter(job.state, fresh), version: job.version + 1 })
      .where('id', '=', job.id)
      .execute();
    await record(trx, {
      unitId: job.unit_id,
      at,
      kind: `card-${fresh.kind}`,
      personId: actor.id,
      facts: { jobId, title: job.title, ...told(fresh, entries) },
    });
    await runClock(trx, job, actor, fresh, at, now);
    if (fresh.kind === 'proved') {
      const { passed, note } = fresh.facts as { passed: boolean; note: string };
      const ending = { actor, at: now, classId, complaint };
      await (passed
        ? endByProof(trx, { ...job, version: job.version + 1 }, { ...ending, note })
        : failProof(trx, job, ending));
      await refreshReadiness(trx, job.unit_id, now);
    }
    return undefined;
  });
  return readCard(context, jobId);
}

/** When it happened: by the device, unless that lies ahead or too far back. */
function believed(said: string | undefined, now: Date): Date {
  const at = said === undefined ? now.getTime() : Date.parse(said);
  return at > now.getTime() || at < now.getTime() - BELIEVED_MS ? now : new Date(at);
}

/** A clock runs by its own row, so that all of them are found at once and none ends with a server. */
async function runClock(trx: Trx, job: JobRow, actor: Actor, fresh: NewCardEntry, at: Date, now: Date): Promise<void> {
  if (fresh.kind === 'clock-started') {
    const { clockId, clock, minutes } = fresh.facts as { clockId: string; clock: string; minutes: number };
    await trx
      .insertInto('clock')
      .values({
        id: clockId,
        job_id: job.id,
        unit_id: job.unit_id,
        kind: clock,
        started_at: at,
        started_by: actor.id,
        ends_at: new Date(at.getTime() + minutes * 60_000),
        result: null,
      })
      .execute();
  }
  if (fresh.kind === 'clock-ended') {
    const { clockId, result } = fresh.facts as { clockId: string; result: string };
    await trx.updateTable('clock').set({ result, ended_at: now }).where('id', '=', clockId).execute();
    // The wait is over by itself when nothing else of this card runs.
    const left = await trx
      .selectFrom('clock')
      .select('id')
      .where('job_id', '=', job.id)
      .where('result', 'is', null)
      .executeTakeFirst();
    if (!left && job.state === 'waits-clock')
      await trx.updateTable('job').set({ state: 'open' }).where('id', '=', job.id).execute();
  }
}

/** What the unit's history says of an entry: names in place of ids. */
function told(fresh: NewCardEntry, entries: readonly CardEntry[]): Record<string, unknown> {
  const facts = fresh.facts as unknown as Record<string, unknown>;
  const names: Record<string, unknown> = {};
  for (const entry of entries) {
    if (entry.kind === 'taken-off' && entry.facts.thingId === facts['thingId']) names['what'] = entry.facts.what;
    if (entry.kind === 'steps-laid')
      for (const step of entry.facts.steps) if (step.stepId === facts['stepId']) names['step'] = step.title;
    if (entry.kind === 'clock-started' && entry.facts.clockId === facts['clockId'])
      names['clock'] = CLOCKS[entry.facts.clock as ClockId]?.name;
  }
  if (fresh.kind === 'clock-started') names['clock'] = CLOCKS[facts['clock'] as ClockId]?.name;
  return { ...facts, ...names };
}
