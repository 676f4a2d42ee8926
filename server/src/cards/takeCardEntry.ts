import { CLOCK, type ClockState } from '@hudrik/core/states';
import { cardOf, cardRefusal, jobStateAfter, namesOf, type Entry } from '@hudrik/core/log';
import { enqueue } from '../background/enqueue';
import type { JobRow, Trx } from '../database/tables';
import { jobUnderLock } from '../jobs/jobUnderLock';
import { entriesOfJob } from '../log/readLog';
import type { Taking } from '../log/taking';
import { refuse } from '../refusal';
import { beginJob } from './beginJob';
import { endByProof, failProof } from './endByProof';
import { jobBackground, settingOf } from './jobBackground';
import { listMissingSteps } from './listMissingSteps';

/** Of whatever kind: its facts were checked against their kind before. */
type CardTaking = Taking<any>;

/** One more entry on a job's card. What two people enter merges by itself; what cannot is refused with what is there. */
export async function takeCardEntry(taking: CardTaking): Promise<void> {
  const { context, change, actor, at, kind, facts, place } = taking;
  const { trx, unit } = change;
  const job = await jobUnderLock(trx, place.jobId);
  if (job.state === 'waiting') await beginJob(change, job, actor);
  else await listMissingSteps(change, job, 'template', { onlyOnce: true });
  const { complaint } = await jobBackground(trx, job);
  const setting = settingOf(job, unit.class_id, complaint);
  const entries = await entriesOfJob(trx, job.id);
  const state = job.state === 'waiting' ? 'open' : job.state;
  const entry: Entry = { id: taking.id, at: at.toISOString(), by: actor.name, kind, facts, outcome: {} };
  const refused = cardRefusal({ entries, entry, state, setting, now: context.now().toISOString() });
  if (refused) refuse('card-refused', { why: refused });
  const card = cardOf([...entries, entry]);
  await taking.record({ jobId: job.id, outcome: { title: job.title, ...namesOf(card, facts) } });
  const next = jobStateAfter(state, entry, card);
  // A passed proof ends the job itself.
  if (kind !== 'proved') await setState(trx, job, next);
  await EFFECTS[kind]?.(taking, job);
  if (kind === 'proved') {
    const ending = { change, actor, complaint, note: facts.note, looks: facts.looks };
    await (facts.passed ? endByProof(job, ending) : failProof(job, ending));
  }
}

const setState = (trx: Trx, job: JobRow, state: JobRow['state']) =>
  trx
    .updateTable('job')
    .set((eb) => ({ state, version: eb('version', '+', 1) }))
    .where('id', '=', job.id)
    .execute();

/** What is kept in a table besides, since it is looked for across all jobs: clocks that run. */
const EFFECTS: Readonly<Record<string, (taking: CardTaking, job: JobRow) => Promise<unknown>>> = {
  'clock-started': async ({ change, actor, at, facts }, job) => {
    const endsAt = new Date(at.getTime() + facts.minutes * 60_000);
    await change.trx
      .insertInto('clock')
      .values({
        id: facts.clockId,
        job_id: job.id,
        unit_id: job.unit_id,
        kind: facts.clock,
        started_at: at,
        started_by: actor.id,
        ends_at: endsAt,
        result: null,
      })
      .execute();
    await enqueue(change.trx, 'clock-end', { clockId: facts.clockId }, { runAt: endsAt });
  },
  'clock-ended': ({ change, facts }) => endClock(change.trx, facts.clockId, facts.result, change.at),
};

async function endClock(trx: Trx, clockId: string, result: string, at: Date): Promise<void> {
  const clock = await trx.selectFrom('clock').select('state').where('id', '=', clockId).executeTakeFirstOrThrow();
  const next = CLOCK.after(clock.state, 'end');
  if (!next.ok) return refuse('card-refused', { why: { code: 'clock-ended', result: clock.state } });
  const state: ClockState = next.state;
  await trx.updateTable('clock').set({ state, result, ended_at: at }).where('id', '=', clockId).execute();
}
