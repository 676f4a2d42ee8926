import { randomUUID } from 'node:crypto';
import { EDITIONS, isObservationId, TEARDOWN_IDS, TEARDOWNS } from '@hudrik/core/catalogue';
import { cardOf, type Entry } from '@hudrik/core/log';
import { proofOfEntries, type Complaint } from '@hudrik/core/proof';
import { learntOrder } from '@hudrik/core/teardown';
import type { Actor } from '../context';
import type { JobRow, Trx } from '../database/tables';
import { closeDefects, lookedAtAll } from '../defects/closeDefects';
import { machineOfUnit } from '../findings/machineOfUnit';
import { teachBy } from '../findings/learned';
import { closeJob, startCounterAnew } from '../jobs/closeJob';
import type { UnitChange } from '../log/changeUnit';
import { entriesOfJob } from '../log/readLog';
import { settingOf } from './jobBackground';

export interface Ending {
  readonly change: Omit<UnitChange, 'actor'>;
  readonly actor: Actor;
  readonly complaint: Complaint;
  readonly note: string;
  /** Defects that the signer looked at and found in order. */
  readonly looks: readonly string[] | undefined;
}

/** The proof is passed: the job is done, its cause is learnt, its way of taking apart too. */
export async function endByProof(job: JobRow, { change, actor, complaint, note, looks }: Ending): Promise<void> {
  const { trx, unit, at } = change;
  const entries = await entriesOfJob(trx, job.id);
  const proof = proofOfEntries(entries, settingOf(job, unit.class_id, complaint), at.toISOString());
  const figures = {
    minutesRun: proof.minutesRun,
    load: proof.load,
    tested: proof.tested,
    readings: proof.readings.flatMap(({ reading, value }) =>
      value === null ? [] : { name: reading.name, value, unit: reading.unit },
    ),
  };
  const right = await lookedAtAll(trx, job.id, looks);
  const kept = await startCounterAnew(trx, job);
  const closed = right.map((defect) => defect.sentence);
  const { id: entryId } = await change.append({
    kind: 'job-finished',
    facts: { note },
    jobId: job.id,
    outcome: { title: job.title, proof: figures, closed, ...(kept === undefined ? {} : { kept }) },
  });
  await closeDefects(
    trx,
    right.map((defect) => defect.id),
    { entryId, how: 'put-right', at },
  );
  await closeJob(change, job, { state: 'done', note, proof: figures, actor });
  await teachBy(trx, job, at);
  await learnTeardowns(trx, job, unit.model_id, entries, at);
}

async function learnTeardowns(
  trx: Trx,
  job: JobRow,
  modelId: number,
  entries: readonly Entry[],
  at: Date,
): Promise<void> {
  const { teardowns, ledger } = cardOf(entries);
  const only = TEARDOWN_IDS.find((id) => id === teardowns[0]);
  // Of two teardowns on one card nobody can tell what belongs to which.
  if (only === undefined || teardowns.length > 1 || ledger.things.length === 0) return;
  const things = JSON.stringify(learntOrder(TEARDOWNS[only].things, ledger));
  await trx
    .insertInto('learnt_teardown')
    .values({ model_id: modelId, teardown: only, job_id: job.id, things, at })
    .onConflict((conflict) => conflict.columns(['model_id', 'teardown']).doUpdateSet({ things, at, job_id: job.id }))
    .execute();
}

/** The proof failed: the card is open again, and a finding goes on with what the proof showed. */
export async function failProof(job: JobRow, { change, actor, complaint }: Ending): Promise<void> {
  const { trx, unit, at } = change;
  const entries = await entriesOfJob(trx, job.id);
  const { shows } = proofOfEntries(entries, settingOf(job, unit.class_id, complaint), at.toISOString());
  await trx
    .updateTable('job')
    .set((eb) => ({ state: 'open', version: eb('version', '+', 1) }))
    .where('id', '=', job.id)
    .execute();
  const findingId = await findingGoingOn(change, job, actor);
  for (const { observation, outcome } of shows) {
    if (!isObservationId(observation)) continue;
    await change.append({ kind: 'seen', facts: { observation, outcomes: [outcome], reading: null }, findingId });
  }
}

/** The finding that is open on this unit, or a new one. */
async function findingGoingOn(change: Ending['change'], job: JobRow, actor: Actor): Promise<string> {
  const { trx, unit, at } = change;
  const open = await trx
    .selectFrom('finding')
    .select('id')
    .where('unit_id', '=', job.unit_id)
    .where('closed_at', 'is', null)
    .executeTakeFirst();
  if (open) return open.id;
  const id = randomUUID();
  const machine = await machineOfUnit(trx, unit, { engine: {}, past: {} }, at);
  await trx
    .insertInto('finding')
    .values({
      id,
      unit_id: job.unit_id,
      job_id: job.id,
      machine: JSON.stringify(machine),
      opened_at: at,
      opened_by: actor.id,
      causes: null,
      edition: EDITIONS.knowledge,
    })
    .execute();
  await change.append({
    id,
    kind: 'finding-opened',
    facts: { machine },
    findingId: id,
    outcome: { findingId: id, after: 'proof' },
  });
  return id;
}
