import { randomUUID } from 'node:crypto';
import { EDITIONS, isFaultId, isObservationId, TEARDOWN_IDS, TEARDOWNS } from '@hudrik/core/catalogue';
import { cardOf, type Entry, type Facts } from '@hudrik/core/log';
import { proofOfEntries, type Proof } from '@hudrik/core/proof';
import { learntOrder } from '@hudrik/core/teardown';
import type { Actor } from '../context';
import type { DefectRow, JobRow, Trx, VisitRow } from '../database/tables';
import { closeDefects, closeOf } from '../defects/closeDefects';
import { idsOf, sentencesOf, signatureOf, type Signature } from '../defects/signing';
import { machineOfUnit } from '../findings/machineOfUnit';
import { teachBy } from '../findings/learned';
import { ratingsOfUnit } from '../fleet/models';
import { closeJob, type ProofFigures } from '../jobs/closeJob';
import { recordService } from '../service/recordService';
import { changeVisit, NOBODY_ASKS } from './changeVisit';
import type { UnitChange } from '../log/changeUnit';
import { refuse } from '../refusal';
import { mustHaveNoClock } from '../visits/atRest';
import { endVisit } from '../visits/settleVisit';
import { settingOf, type VisitBackground } from '../visits/visitBackground';
import { entriesOfVisit, jobsOfVisit } from '../visits/visits';

export interface Ending {
  readonly change: Omit<UnitChange, 'actor'>;
  readonly actor: Actor;
  readonly background: VisitBackground;
  /** The entry by which it was signed, and when. */
  readonly provedBy: string;
  readonly signedAt: Date;
  readonly facts: Facts<'proved'>;
  /** The job that the signature hangs on. */
  readonly jobId: string | null;
}

async function proofNow(visit: VisitRow, entries: readonly Entry[], { change, background, signedAt }: Ending) {
  const { trx, unit } = change;
  const ratings = await ratingsOfUnit(trx, unit);
  const setting = settingOf({ classId: unit.class_id, entries, background, ratings });
  return proofOfEntries(entries, setting, signedAt.toISOString());
}

/** The proof is passed: each job that is begun is done, what it was there for is closed, and what was found and done is learnt. */
export async function endByProof(visit: VisitRow, ending: Ending): Promise<void> {
  const { change, facts, signedAt } = ending;
  const { trx, unit, at } = change;
  const entries = await entriesOfVisit(trx, visit.id);
  const jobs = (await jobsOfVisit(trx, visit.id)).filter((job) => job.state === 'open');
  mustHaveNoStepLeft(entries, jobs);
  await mustHaveNoClock(trx, unit.id);
  const proof = await proofNow(visit, entries, ending);
  const figures: ProofFigures = {
    minutesRun: proof.minutesRun,
    load: proof.load,
    ...(proof.unloaded === null ? {} : { unloaded: proof.unloaded, unproved: proof.unproved }),
    tested: proof.tested,
    readings: proof.readings.flatMap(({ reading, value }) =>
      value === null ? [] : { name: reading.name, value, unit: reading.unit },
    ),
  };
  const signature = await signatureOf(trx, { unit, jobIds: jobs.map((job) => job.id), facts, at: signedAt, proof });
  for (const [n, job] of jobs.entries())
    await finish(ending, job, { figures, signature: ofJob(signature, job), isFirst: n === 0 });
  await closeOf(
    trx,
    { unitId: unit.id, kind: 'reading', ids: wellIn(proof), seenBy: signedAt },
    { entryId: ending.provedBy, how: 'put-right', at },
  );
  await closeFindings(trx, jobs, at);
  for (const job of jobs) await teachBy(trx, job, at);
  await learnTeardowns(trx, jobs, unit.model_id, entries, at);
  await endVisit(change, visit);
}

/** Readings that are within their limits in this proof. */
const wellIn = (proof: Proof): string[] =>
  proof.readings.filter(({ verdict }) => verdict === 'well').map(({ reading }) => reading.id);

const ofJob = ({ right, notFound, leftOpen }: Signature, job: JobRow): Signature => {
  const own = (defects: readonly DefectRow[]) => defects.filter((defect) => defect.job_id === job.id);
  return { right: own(right), notFound: own(notFound), leftOpen: own(leftOpen) };
};

/** A finding that went on after a proof failed ends with the one that passed. */
async function closeFindings(trx: Trx, jobs: readonly JobRow[], at: Date): Promise<void> {
  if (jobs.length === 0) return;
  await trx
    .updateTable('finding')
    .set({ closed_at: at })
    .where(
      'job_id',
      'in',
      jobs.map((job) => job.id),
    )
    .where('closed_at', 'is', null)
    .where('causes', 'is not', null)
    .execute();
}

/** A job is done when its steps are ticked, or dropped with a reason. */
export function mustHaveNoStepLeft(entries: readonly Entry[], jobs: readonly JobRow[]): void {
  const left = cardOf(entries).steps.filter(
    (step) => step.state === 'to-do' && jobs.some((job) => String(job.id) === step.jobId),
  );
  if (left.length > 0) refuse('card-refused', { why: { code: 'steps-left', steps: left.map((step) => step.title) } });
}

interface Finishing {
  readonly figures: ProofFigures;
  readonly signature: Signature;
  /** The figures of the run are told once. */
  readonly isFirst: boolean;
}

async function finish(
  { change, actor, facts: { note } }: Ending,
  job: JobRow,
  { figures, signature: { right, notFound, leftOpen }, isFirst }: Finishing,
): Promise<void> {
  const { trx, at } = change;
  const kept = await recordService(trx, job, at);
  const { id: entryId } = await change.append({
    kind: 'job-finished',
    facts: { note },
    jobId: job.id,
    outcome: {
      title: job.title,
      ...(isFirst ? { proof: figures } : {}),
      closed: sentencesOf(right),
      notFound: sentencesOf(notFound),
      leftOpen: sentencesOf(leftOpen),
      ...(kept === undefined ? {} : { kept }),
    },
  });
  await closeDefects(trx, idsOf(right), { entryId, how: 'put-right', at });
  await closeDefects(trx, idsOf(notFound), { entryId, how: 'not-found', at });
  await closeJob(change, job, { state: 'done', note, proof: figures, actor });
}

async function learnTeardowns(
  trx: Trx,
  jobs: readonly JobRow[],
  modelId: number,
  entries: readonly Entry[],
  at: Date,
): Promise<void> {
  const { teardowns, ledger } = cardOf(entries);
  const only = TEARDOWN_IDS.find((id) => id === teardowns[0]);
  const [job] = jobs;
  // Of two teardowns on one card nobody can tell what belongs to which.
  if (only === undefined || job === undefined || teardowns.length > 1 || ledger.things.length === 0) return;
  const things = JSON.stringify(learntOrder(TEARDOWNS[only].things, ledger));
  await trx
    .insertInto('learnt_teardown')
    .values({ model_id: modelId, teardown: only, job_id: job.id, things, at })
    .onConflict((conflict) => conflict.columns(['model_id', 'teardown']).doUpdateSet({ things, at, job_id: job.id }))
    .execute();
}

/** The proof failed: the card is at the bench again, and the same finding goes on with what the proof showed. */
export async function failProof(visit: VisitRow, ending: Ending): Promise<void> {
  const { change, actor } = ending;
  const entries = await entriesOfVisit(change.trx, visit.id);
  const { shows } = await proofNow(visit, entries, ending);
  await changeVisit(change.trx, visit, NOBODY_ASKS);
  const findingId = await findingGoingOn(change, visit, actor);
  for (const { observation, outcome } of shows) {
    if (!isObservationId(observation)) continue;
    await change.append({ kind: 'seen', facts: { observation, outcomes: [outcome], reading: null }, findingId });
  }
}

/** The finding of this visit, open again; without one, a new one. */
async function findingGoingOn(change: Ending['change'], visit: VisitRow, actor: Actor): Promise<string> {
  const { trx, unit, at } = change;
  const open = await trx
    .selectFrom('finding')
    .select('id')
    .where('unit_id', '=', unit.id)
    .where('closed_at', 'is', null)
    .executeTakeFirst();
  if (open) return open.id;
  const jobIds = (await jobsOfVisit(trx, visit.id)).map((job) => job.id);
  const before = await trx
    .selectFrom('finding')
    .select(['id', 'causes'])
    .where('unit_id', '=', unit.id)
    .where('job_id', 'in', jobIds)
    .orderBy('closed_at', 'desc')
    .limit(1)
    .executeTakeFirst();
  if (before) return openAgain(change, before);
  const id = randomUUID();
  const machine = await machineOfUnit(trx, unit, { engine: {}, past: {} }, at);
  await trx
    .insertInto('finding')
    .values({
      id,
      unit_id: unit.id,
      job_id: jobIds[0] ?? null,
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

/**
 * The same finding goes on: what was put right ends a chapter, and what was seen before it stays in it. The causes stay confirmed until others
 * are; what was taught by them is decided when a proof passes.
 */
async function openAgain(
  { trx, append }: Ending['change'],
  finding: { readonly id: string; readonly causes: string[] | null },
): Promise<string> {
  await trx
    .updateTable('finding')
    .set((eb) => ({ closed_at: null, version: eb('version', '+', 1) }))
    .where('id', '=', finding.id)
    .execute();
  for (const fault of finding.causes ?? [])
    if (isFaultId(fault)) await append({ kind: 'repaired', facts: { fault }, findingId: finding.id });
  return finding.id;
}
