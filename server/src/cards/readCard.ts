import { EDITIONS } from '@hudrik/core/catalogue';
import type { CardReply, Comeback } from '@hudrik/core/contracts';
import type { Context } from '../context';
import type { Db, JobRow, VisitRow } from '../database/tables';
import { readDefects } from '../defects/readDefects';
import { lastReading } from '../fleet/meters';
import { jobRows, toJobLine } from '../jobs/jobLines';
import { linesOfJobs } from '../parts/partLines';
import { personById } from '../people/people';
import { refuse } from '../refusal';
import { visitBackground } from '../visits/visitBackground';
import { entriesOfVisit, jobsOfVisit, visitOfJob } from '../visits/visits';
import { comebackOf } from './comebacks';
import { jobBackground } from './jobBackground';

export const jobIdOf = (id: string): number => (/^\d{1,15}$/.test(id) ? Number(id) : refuse('not-found', { job: id }));

/** The card of the visit that a job is on, or was on last: what its screen shows. Photos come by themselves, small ones first. */
export async function readCard({ db, now }: Pick<Context, 'db' | 'now'>, id: string): Promise<CardReply> {
  const visit = await visitOfJob(db, jobIdOf(id));
  const jobs = await jobsOfVisit(db, visit.id);
  const entries = await entriesOfVisit(db, visit.id);
  const ids = jobs.map((job) => job.id);
  const [unit, lines, background, reading, parts, comeback, defects] = await Promise.all([
    unitOf(db, visit.unit_id),
    jobRows(db).where('j.id', 'in', ids).execute(),
    visitBackground(db, jobs, entries),
    lastReading(db, visit.unit_id),
    linesOfJobs(db, ids),
    comebackOfVisit(db, jobs),
    readDefects(db, visit.unit_id),
  ]);
  const learnt = await db
    .selectFrom('learnt_teardown')
    .select(['teardown', 'things'])
    .where('model_id', '=', unit.model_id)
    .execute();
  const jobLines = lines.map(toJobLine);
  return {
    visit: {
      id: String(visit.id),
      state: visit.state,
      unproved: visit.unproved,
      givenTo:
        (await personById(db, visit.given_to ?? 0).then((person) => person && { id: person.id, name: person.name })) ??
        null,
    },
    jobs: jobLines,
    job: jobLines.find((job) => job.id === String(jobIdOf(id))) ?? refuse('not-found', { job: id }),
    unit: {
      tag: unit.tag,
      classId: unit.class_id,
      modelId: unit.model_id,
      model: `${unit.make} ${unit.name}`,
      serial: unit.serial,
      trueHours: reading.trueHours,
    },
    verdict: unit.readiness_verdict,
    defects,
    findingId: await findingOf(db, visit, ids),
    needs: [...background.needs],
    ratings: { model: unit.model_sheet.rated ?? {}, unit: unit.data_sheet.rated ?? {} },
    entries,
    parts,
    comeback,
    causes: [...background.causes],
    behind: [...background.behind],
    complaint: background.complaint,
    seen: [...background.seen],
    machine: background.machine,
    limits: unit.model_sheet.limits ?? null,
    learnt: Object.fromEntries(learnt.map((entry) => [entry.teardown, entry.things])),
    edition: EDITIONS.card,
    now: now().toISOString(),
  };
}

const unitOf = (db: Db, unitId: number) =>
  db
    .selectFrom('unit as u')
    .innerJoin('model as m', 'm.id', 'u.model_id')
    .select(['u.tag', 'u.class_id', 'u.serial', 'u.model_id', 'u.data_sheet', 'u.readiness_verdict'])
    .select(['m.make', 'm.name', 'm.data_sheet as model_sheet'])
    .where('u.id', '=', unitId)
    .executeTakeFirstOrThrow();

/** The first of its jobs that is a comeback. */
async function comebackOfVisit(db: Db, jobs: readonly JobRow[]): Promise<Comeback | null> {
  for (const job of jobs) {
    const comeback = await comebackOf(db, job, (await jobBackground(db, job)).causes);
    if (comeback) return comeback;
  }
  return null;
}

/** The finding that is open on the unit while the visit goes on, else the last one of its jobs. */
async function findingOf(db: Db, visit: VisitRow, jobIds: readonly number[]): Promise<string | null> {
  const row = await db
    .selectFrom('finding')
    .select('id')
    .where('unit_id', '=', visit.unit_id)
    .where((eb) =>
      eb.or([eb('job_id', 'in', [...jobIds]), ...(visit.ended_at === null ? [eb('closed_at', 'is', null)] : [])]),
    )
    .orderBy((eb) => eb('closed_at', 'is', null), 'desc')
    .orderBy('opened_at', 'desc')
    .limit(1)
    .executeTakeFirst();
  return row?.id ?? null;
}
