import { randomUUID } from 'node:crypto';
import { cardOf } from '@hudrik/core/card';
import { TEARDOWNS, type TeardownId } from '@hudrik/core/catalogue';
import { proofOfEntries, type Complaint } from '@hudrik/core/proof';
import { learntOrder } from '@hudrik/core/teardown';
import type { Actor } from '../context';
import type { JobRow, Trx } from '../database/tables';
import { machineOfUnit } from '../findings/machineOfUnit';
import { teachBy } from '../findings/learned';
import { record } from '../fleet/history';
import { closeJob } from '../jobs/closeJob';
import { cardEntries } from './cardEntries';
import { settingOf } from './jobBackground';

export interface Ending {
  readonly actor: Actor;
  readonly at: Date;
  readonly classId: string;
  readonly complaint: Complaint;
}

/** The proof is passed: the job is done, its cause is learnt, its way of taking apart too. */
export async function endByProof(trx: Trx, job: JobRow, ending: Ending & { readonly note: string }): Promise<void> {
  const entries = await cardEntries(trx, job.id);
  const proof = proofOfEntries(entries, settingOf(job, ending.classId, ending.complaint), ending.at.toISOString());
  const figures = {
    minutesRun: proof.minutesRun,
    load: proof.load,
    tested: proof.tested,
    readings: proof.readings.flatMap(({ reading, value }) =>
      value === null ? [] : { name: reading.name, value, unit: reading.unit },
    ),
  };
  await closeJob(trx, job, {
    state: 'done',
    with: { note: ending.note, proof: figures },
    at: ending.at,
    actor: ending.actor,
  });
  await teachBy(trx, job, ending.at);
  await learnTeardowns(trx, job, entries, ending.at);
}

async function learnTeardowns(
  trx: Trx,
  job: JobRow,
  entries: Awaited<ReturnType<typeof cardEntries>>,
  at: Date,
): Promise<void> {
  const { teardowns, ledger } = cardOf(entries);
  const [only] = teardowns;
  // Of two teardowns on one card nobody can tell what belongs to which.
  if (only === undefined || teardowns.length > 1 || ledger.things.length === 0) return;
  const { model_id: modelId } = await trx
    .selectFrom('unit')
    .select('model_id')
    .where('id', '=', job.unit_id)
    .executeTakeFirstOrThrow();
  const things = JSON.stringify(learntOrder(TEARDOWNS[only as TeardownId].things, ledger));
  await trx
    .insertInto('learnt_teardown')
    .values({ model_id: modelId, teardown: only, job_id: job.id, things, at })
    .onConflict((conflict) => conflict.columns(['model_id', 'teardown']).doUpdateSet({ things, at, job_id: job.id }))
    .execute();
}

/** The proof failed: the card is open again, and a new finding begins with what the proof showed. */
export async function failProof(trx: Trx, job: JobRow, { actor, at, classId, complaint }: Ending): Promise<void> {
  const { shows } = proofOfEntries(
    await cardEntries(trx, job.id),
    settingOf(job, classId, complaint),
    at.toISOString(),
  );
  await trx.updateTable('job').set({ state: 'open' }).where('id', '=', job.id).execute();
  const standing = await trx
    .selectFrom('finding')
    .select('id')
    .where('unit_id', '=', job.unit_id)
    .where('closed_at', 'is', null)
    .executeTakeFirst();
  const id = standing?.id ?? randomUUID();
  if (!standing) {
    const unit = await trx.selectFrom('unit').selectAll().where('id', '=', job.unit_id).executeTakeFirstOrThrow();
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
      })
      .execute();
    await record(trx, {
      unitId: job.unit_id,
      at,
      kind: 'finding-opened',
      personId: actor.id,
      facts: { findingId: id, after: 'proof' },
    });
  }
  for (const { observation, outcome } of shows)
    await trx
      .insertInto('finding_entry')
      .values({
        id: randomUUID(),
        finding_id: id,
        at,
        person_id: actor.id,
        kind: 'seen',
        observation,
        outcomes: [outcome],
        reading: null,
        fault: null,
      })
      .execute();
}
