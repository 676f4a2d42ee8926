import { WORKS_ON_UNITS } from '@hudrik/core/fields';
import { CLOCK, type ClockState } from '@hudrik/core/states';
import { cardOf, cardRefusal, namesOf, visitStateAfter, type Entry, type Witnessed } from '@hudrik/core/log';
import { proofOfEntries, type Proof } from '@hudrik/core/proof';
import { enqueue } from '../background/enqueue';
import type { JobRow, Trx, VisitRow } from '../database/tables';
import { ratingsOfUnit } from '../fleet/models';
import type { Taking } from '../log/taking';
import { personById } from '../people/people';
import { refuse } from '../refusal';
import { needsOfJob } from '../visits/needsOfJob';
import { isWork, settingOf, visitBackground, type VisitBackground } from '../visits/visitBackground';
import { entriesOfVisit, jobsOfVisit, placeUnderLock } from '../visits/visits';
import { beginJob } from './beginJob';
import { changeVisit, NOBODY_ASKS } from './changeVisit';
import { endByProof, failProof } from './endByProof';
import { unprovedIn } from './unproved';
import { jobBackground } from './jobBackground';
import { listMissingSteps } from './listMissingSteps';
import { closeStaysOff, judgeLook, judgeReading, judgeStruckOff, judgeWait, takeAnswerBack } from './judgeOnCard';
import { secondPerson } from '../witnesses/witness';
import { isAfterwards, mustBeInOrder } from './runTimes';

/** Of whatever kind: its facts were checked against their kind before. */
type CardTaking = Taking<any>;

const WAITS: readonly JobRow['state'][] = ['waiting', 'put-off'];

/** What is said of a card takes no job to the bench. */
const SAYS_ONLY: ReadonlySet<string> = new Set(['handed-on', 'signature-asked', 'parked']);

/** One more entry on a visit's card. What two people enter merges by itself; what cannot is refused with what is there. */
export async function takeCardEntry(taking: CardTaking): Promise<void> {
  const { context, change, actor, kind, facts, place } = taking;
  const { trx, unit } = change;
  const { job, visit } = await placeUnderLock(trx, place.jobId);
  const at = countsFrom(taking, job);
  if (WAITS.includes(job.state) && !SAYS_ONLY.has(kind)) await beginJob(change, job, visit, actor);
  else if (job.state === 'open') await listMissingSteps(change, job, visit.id, 'template', { onlyOnce: true });
  const entries = await entriesOfVisit(trx, visit.id);
  const background = await visitBackground(trx, await jobsOfVisit(trx, visit.id), entries);
  const setting = settingOf({
    classId: unit.class_id,
    entries,
    background,
    ratings: await ratingsOfUnit(trx, unit),
  });
  const state = visit.state === 'waiting' && !SAYS_ONLY.has(kind) ? 'open' : visit.state;
  const outcome = await outcomeOf(taking, visit);
  const entry: Entry = {
    id: taking.id,
    at: at.toISOString(),
    takenAt: change.at.toISOString(),
    by: actor.name,
    kind,
    facts,
    outcome,
    jobId: String(job.id),
  };
  const refused =
    cardRefusal({ entries, entry, role: actor.role, state, setting, now: context.now().toISOString() }) ??
    (await mustBeInOrder(taking, visit, entries));
  if (refused) refuse('card-refused', { why: refused });
  const signed =
    kind === 'proved' ? await outcomeOfProof(taking, proofOfEntries(entries, setting, at.toISOString())) : {};
  const card = cardOf([...entries, entry]);
  await taking.record({
    at,
    jobId: job.id,
    outcome: { title: job.title, ...namesOf(card, facts), ...outcome, ...signed },
  });
  const next = visitStateAfter(state, entry, card);
  // A passed proof ends the visit itself.
  if (next !== 'ended') await changeVisit(trx, visit, { state: next, ...(await touched(trx, job, entry)) });
  await EFFECTS[kind]?.(taking, job);
  if (kind === 'proved') await afterProof(taking, visit, background);
}

async function afterProof(taking: CardTaking, visit: VisitRow, background: VisitBackground): Promise<void> {
  const { change, actor, id, facts, place } = taking;
  const ending = { change, actor, background, provedBy: id, signedAt: taking.at, facts, jobId: place.jobId };
  await (facts.passed ? endByProof(visit, ending) : failProof(visit, ending));
}

/**
 * When it counts from. A clock that was begun without a connection starts when the device says, if that lies after its job was begun; else when that
 * arrived.
 */
function countsFrom({ kind, at, timing, change }: CardTaking, job: JobRow): Date {
  if (kind !== 'clock-started') return at;
  return timing === 'known' && job.started_at !== null && at >= job.started_at ? at : change.at;
}

const outcomeOfProof = async (taking: CardTaking, proof: Proof) => ({
  ...(await secondOfProof(taking)),
  ...(taking.facts.passed ? unprovedIn(proof) : {}),
});

/** That something told and dangerous was not found, two people say. */
async function secondOfProof({ change, actor, id, facts }: CardTaking): Promise<Witnessed> {
  if (!facts.passed || !facts.notFound?.length) return {};
  const danger = await change.trx
    .selectFrom('defect')
    .select('sentence')
    .where('unit_id', '=', change.unit.id)
    .where('id', 'in', facts.notFound)
    .where('origin_kind', '=', 'told')
    .where('safety', '=', true)
    .where('closed_at', 'is', null)
    .executeTakeFirst();
  if (danger === undefined) return {};
  return secondPerson({ trx: change.trx, actor, entryId: id, at: change.at }, facts, {
    ...{ why: 'danger', sentence: danger.sentence, who: WORKS_ON_UNITS, photo: false },
  });
}

/** What came of an entry besides its names: to whom a card was given, whether what is parked is proved, whether a run was entered afterwards. */
async function outcomeOf(taking: CardTaking, visit: VisitRow): Promise<Record<string, unknown>> {
  const { kind, facts, change } = taking;
  if (isAfterwards(taking)) return { afterwards: true };
  if (kind === 'parked' && visit.unproved) return { unproved: true };
  if (kind !== 'handed-on') return {};
  const to = await personById(change.trx, facts.to);
  if (to === undefined) return refuse('not-found', { person: facts.to });
  if (!WORKS_ON_UNITS.includes(to.role)) refuse('not-your-role', { role: to.role, wants: WORKS_ON_UNITS });
  return { to: to.name };
}

/** Whether the entry is work that a proof must show. */
async function touched(trx: Trx, job: JobRow, entry: Entry): Promise<{ unproved?: true }> {
  if (!isWork(entry)) return {};
  const asks = entry.kind === 'taken-off' ? true : needsOfJob(job, (await jobBackground(trx, job)).causes).length > 0;
  return asks ? { unproved: true } : {};
}

/** What is kept in a table besides, since it is looked for across all visits. */
const EFFECTS: Readonly<Record<string, (taking: CardTaking, job: JobRow) => Promise<unknown>>> = {
  'clock-started': async (taking, job) => {
    const { change, actor, facts } = taking;
    const at = countsFrom(taking, job);
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
        short: facts.shortWhy !== undefined,
      })
      .execute();
    await enqueue(change.trx, 'clock-end', { clockId: facts.clockId }, { runAt: endsAt });
  },
  'clock-ended': (taking, job) => endClock(taking, job),
  'proof-reading': (taking, job) => judgeReading(taking, job),
  'leak-look': (taking, job) => judgeLook(taking, job, { id: 'leak-look', ok: taking.facts.dry }),
  'proof-look': (taking, job) => judgeLook(taking, job, { id: taking.facts.look, ok: taking.facts.ok }),
  'answer-taken-back': ({ change, id, facts }) => takeAnswerBack(change, id, facts.entryId),
  'struck-off': (taking, job) => judgeStruckOff(taking, job),
  'put-back': ({ change, id, facts, at }) => closeStaysOff(change, { entryId: id, thingId: facts.thingId, at }),
  replaced: ({ change, id, facts, at }) => closeStaysOff(change, { entryId: id, thingId: facts.thingId, at }),
  'signature-asked': async ({ change: { trx }, actor, at, place }) => {
    const { visit } = await placeUnderLock(trx, place.jobId);
    await changeVisit(trx, visit, { signature_asked_by: actor.id, signature_asked_at: at });
  },
  'back-to-work': ({ change: { trx }, place }) => nobodyAsks(trx, place.jobId),
  'handed-on': async ({ change: { trx }, facts, place }) => {
    const { visit } = await placeUnderLock(trx, place.jobId);
    await changeVisit(trx, visit, { given_to: facts.to, pinned_at: null });
  },
};

async function nobodyAsks(trx: Trx, jobId: string | null): Promise<void> {
  const { visit } = await placeUnderLock(trx, jobId);
  await changeVisit(trx, visit, NOBODY_ASKS);
}

async function endClock({ change: { trx, at }, id, facts }: CardTaking, job: JobRow): Promise<void> {
  const { clockId, result } = facts;
  const clock = await trx
    .selectFrom('clock')
    .select(['state', 'kind', 'short'])
    .where('id', '=', clockId)
    .executeTakeFirstOrThrow();
  const next = CLOCK.after(clock.state, 'end');
  if (!next.ok) return refuse('card-refused', { why: { code: 'clock-ended', result: clock.state } });
  const state: ClockState = next.state;
  await trx.updateTable('clock').set({ state, result, ended_at: at }).where('id', '=', clockId).execute();
  await judgeWait(trx, { job, entryId: id, at }, clock, result);
}
