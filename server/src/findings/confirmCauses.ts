import { STANDING_STATES } from '@hudrik/core/card';
import { FAULTS, FIND_FAULT, type FaultId } from '@hudrik/core/catalogue';
import type { FindingRecord } from '@hudrik/core/contracts';
import { layCard } from '../cards/layCard';
import type { Actor, Context } from '../context';
import type { Trx } from '../database/tables';
import { record } from '../fleet/history';
import { refreshReadiness } from '../fleet/refreshReadiness';
import { refuse } from '../refusal';
import { lockFinding, readFinding } from './findings';

/** Confirms what was wrong. The finding is closed, and its job says what is to be done; without a job one is raised. */
export async function confirmCauses(
  context: Context,
  actor: Actor,
  findingId: string,
  { causes, note }: { causes: readonly string[]; note: string },
): Promise<FindingRecord> {
  await context.db.transaction().execute(async (trx) => {
    const finding = await lockFinding(trx, findingId);
    if (finding.closed_at !== null) return refuse('finding-closed', { finding: findingId });
    if (new Set(causes).size !== causes.length) return refuse('not-valid', { field: 'causes', value: 'twice' });
    const at = context.now();
    const jobId =
      finding.unit_id === null
        ? null
        : await ontoJob(trx, { unitId: finding.unit_id, jobId: finding.job_id, causes, at, actor });
    await trx
      .updateTable('finding')
      .set({ closed_at: at, causes: [...causes], job_id: jobId, version: finding.version + 1 })
      .where('id', '=', finding.id)
      .execute();
    if (finding.unit_id === null) return undefined;
    await record(trx, {
      unitId: finding.unit_id,
      at,
      kind: 'finding-closed',
      personId: actor.id,
      facts: { findingId, jobId: String(jobId), causes: causes.map(saysOf), note },
    });
    await layCauses(trx, jobId, at);
    await refreshReadiness(trx, finding.unit_id, at);
    return undefined;
  });
  return readFinding(context, findingId);
}

/** On a card that is at the bench already, the steps of the causes come behind those that stand. */
async function layCauses(trx: Trx, jobId: number | null, at: Date): Promise<void> {
  const job =
    jobId === null ? undefined : await trx.selectFrom('job').selectAll().where('id', '=', jobId).executeTakeFirst();
  if (job && job.state !== 'waiting') await layCard(trx, job, at, 'causes');
}

interface Confirmed {
  readonly unitId: number;
  readonly jobId: number | null;
  readonly causes: readonly string[];
  readonly at: Date;
  readonly actor: Actor;
}

const faultOf = (id: string) => FAULTS[id as FaultId];
const saysOf = (id: string): string => faultOf(id).name;

/** The open job to find the fault becomes the repair of what was found; where there is none, one is raised. Out: the job. */
async function ontoJob(trx: Trx, { unitId, jobId, causes, at, actor }: Confirmed): Promise<number> {
  const repairs = [...new Set(causes.map((id) => faultOf(id).repair.title))];
  const minutes = causes.reduce((sum, id) => sum + faultOf(id).repair.minutes, 0);
  const caution = causes.map((id) => faultOf(id).caution).find((entry) => entry !== undefined) ?? null;
  const standing = await trx
    .selectFrom('job')
    .selectAll()
    .where('unit_id', '=', unitId)
    .where('state', 'in', STANDING_STATES)
    .where((eb) => (jobId === null ? eb('work', '=', FIND_FAULT.work) : eb('id', '=', jobId)))
    .executeTakeFirst();
  if (standing) {
    await trx
      .updateTable('job')
      .set({
        title: repairs.join('; '),
        minutes,
        caution: caution ?? standing.caution,
        why: JSON.stringify([...new Set([...causes.map((id) => `${saysOf(id)}.`), ...standing.why])]),
        version: standing.version + 1,
      })
      .where('id', '=', standing.id)
      .execute();
    return standing.id;
  }
  const row = await trx
    .insertInto('job')
    .values({
      unit_id: unitId,
      check_in_id: null,
      kind: 'repair',
      work: FIND_FAULT.work,
      title: repairs.join('; '),
      minutes,
      blocks: 'hold',
      origins: '[]',
      why: JSON.stringify(causes.map((id) => `${saysOf(id)}.`)),
      caution,
      raised_at: at,
      started_by: null,
      closed_by: null,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  await record(trx, {
    unitId,
    at,
    kind: 'job-raised',
    personId: actor.id,
    facts: { jobId: String(row.id), title: repairs.join('; '), kind: 'repair' },
  });
  return row.id;
}
