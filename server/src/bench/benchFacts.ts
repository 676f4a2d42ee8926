import { OPEN_JOB_STATES } from '@hudrik/core/card';
import { entryOf, FIND_FAULT, folderOf, ITEM_OF_WORK, MONEY, type ClassId } from '@hudrik/core/catalogue';
import { cardOf, type Entry } from '@hudrik/core/log';
import type { BenchAsked, NamedPhase, PlanVisit, Stretch } from '@hudrik/core/planning';
import type { Readiness } from '@hudrik/core/readiness';
import { sql } from 'kysely';
import { demandFor } from '../cards/demand';
import { jobBackground } from '../cards/jobBackground';
import type { Context } from '../context';
import type { Db, JobRow, VisitRow } from '../database/tables';
import { readAssigned, type NextHire, type Promised } from '../hires/assigned';
import { readEntries } from '../log/readLog';
import { readSettings } from '../people/settings';
import { needsOfJob } from '../visits/needsOfJob';
import { findMinutes } from './findEstimates';
import { readOwnMinutes } from './ownMinutes';
import { readHands, type Hand } from './shifts';
import { workOfVisit, type VisitWork } from './visitWork';

const MINUTE_MS = 60_000;
/** So many units stand open on one technician's bench at a time where the yard did not say how many bays it has (judgement). */
const PLACES = 4;
/** A late hire costs its day in a working day, and as much again for the promise (judgement). */
const LATE_TIMES = 2;
const DAY_AT_WORK = 480;
const DAY_MINUTES = 1440;
/** A unit that is fit waits for its service at a twentieth of what one costs that is not (judgement). */
const FIT_WAITS = 0.05;
/** Moving a visit that people saw in its place costs a quarter of an hour of the workshop (judgement). */
const MOVE_HOURS = 0.25;

/** A visit as the bench shows it. */
export interface BenchVisit {
  readonly visit: VisitRow;
  readonly tag: string;
  readonly classId: ClassId;
  readonly readiness: Readiness;
  readonly because: readonly string[];
  readonly jobs: readonly JobRow[];
  readonly phases: readonly NamedPhase[];
  readonly part: VisitWork['part'];
  /** The hire that waits for it. */
  readonly hire: NextHire | null;
  /** When the unit is out or promised. */
  readonly spans: Promised['spans'];
  readonly inHandBy: number | null;
}

export interface BenchFacts {
  readonly at: Date;
  readonly hands: readonly Hand[];
  readonly visits: readonly BenchVisit[];
  readonly asked: BenchAsked;
}

type Asking = Pick<Context, 'db' | 'now' | 'sums'>;

/** All that the plan is made of: open visits with their work, who works when, which hires wait for what. */
export async function readBenchFacts(context: Asking): Promise<BenchFacts> {
  const { db } = context;
  const at = context.now();
  const { timeZone, centsPerHour, bays } = await readSettings(db);
  const hands = await readHands(db, at, timeZone);
  const visits = await readVisits(context, at);
  const demands = await demandsOf(db, visits, at);
  const planned = visits.map((visit) => planVisit(visit, { at, hands, demand: demands.get(visit.classId) ?? 0 }));
  const centsPerMove = MOVE_HOURS * (centsPerHour ?? MONEY.centsPerHour.value);
  const technicians = hands.map(({ id, shifts }, nth) => ({
    ...{ id: String(id), shifts },
    places: bays === null ? PLACES : shareOf(bays, hands.length, nth),
  }));
  return { at, hands, visits, asked: { visits: planned, technicians, centsPerMove } };
}

/** Bays shared out, the first have one more; with fewer bays than hands each has one still: they take turns at it. */
const shareOf = (bays: number, hands: number, nth: number): number =>
  Math.max(Math.floor(bays / hands) + (nth < bays % hands ? 1 : 0), 1);

async function readVisits(context: Asking, at: Date): Promise<BenchVisit[]> {
  const { db } = context;
  const rows = await openVisits(db);
  const jobs = await openJobs(db);
  const entries = await entriesByVisit(db);
  const clocks = await runningClocks(db);
  const parts = await partsWanted(db);
  const own = await readOwnMinutes(db);
  const promised = await readAssigned(db, at);
  return Promise.all(
    rows
      .filter(({ id }) => jobs.has(id))
      .map(async ({ tag, class_id: classId, readiness, because, ...visit }): Promise<BenchVisit> => {
        const its = jobs.get(visit.id) ?? [];
        const written = entries.get(visit.id) ?? [];
        const backgrounds = await Promise.all(its.map((job) => jobBackground(db, job)));
        const needs = its.flatMap((job, nth) => needsOfJob(job, backgrounds[nth]?.causes ?? []));
        const found = await minutesToFind(context, classId, its, backgrounds);
        const work = workOfVisit({
          ...{ classId, jobs: its, entries: written, needs, own, now: at },
          clocks: clocks.filter(({ jobId }) => its.some(({ id }) => id === jobId)),
          parts: parts.filter(({ jobId }) => its.some(({ id }) => id === jobId)),
          isAtProof: visit.state === 'to-prove',
          findMinutes: found,
        });
        const waiting = promised.find(({ unitId }) => unitId === visit.unit_id);
        return {
          visit,
          tag,
          classId,
          readiness,
          because,
          jobs: its,
          ...work,
          hire: waiting?.next ?? null,
          spans: waiting?.spans ?? [],
          inHandBy: await inHandBy(db, written),
        };
      }),
  );
}

type Background = Awaited<ReturnType<typeof jobBackground>>;

async function minutesToFind(
  context: Asking,
  classId: ClassId,
  jobs: readonly JobRow[],
  backgrounds: readonly Background[],
): Promise<Map<number, number>> {
  const found = new Map<number, number>();
  for (const [at, job] of jobs.entries()) {
    const background = backgrounds[at];
    if (job.work !== FIND_FAULT.work || background === undefined || background.causes.length > 0) continue;
    const seen: Record<string, string[]> = {};
    for (const { observation, outcome } of background.shown)
      seen[observation] = [...(seen[observation] ?? []), outcome];
    found.set(job.id, Math.round(await findMinutes(context, { machine: { classId, ...background.machine }, seen })));
  }
  return found;
}

const openVisits = (db: Db) =>
  db
    .selectFrom('visit as v')
    .innerJoin('unit as u', 'u.id', 'v.unit_id')
    .selectAll('v')
    .select(['u.tag', 'u.class_id', 'u.readiness', sql<string[]>`u.readiness_verdict->'because'`.as('because')])
    .where('v.ended_at', 'is', null)
    .where('u.readiness', 'not in', ['gone', 'laid-up'])
    .orderBy('v.id')
    .execute();

/** Jobs that are to be done, by visit. */
async function openJobs(db: Db): Promise<Map<number, JobRow[]>> {
  const rows = await db
    .selectFrom('job as j')
    .innerJoin('visit_job as vj', 'vj.job_id', 'j.id')
    .innerJoin('visit as v', 'v.id', 'vj.visit_id')
    .selectAll('j')
    .select('vj.visit_id')
    .where('v.ended_at', 'is', null)
    .where('j.state', 'in', OPEN_JOB_STATES)
    .where('j.state', '<>', 'put-off')
    .orderBy('j.id')
    .execute();
  return grouped(rows, ({ visit_id: id }) => id);
}

async function entriesByVisit(db: Db): Promise<Map<number, Entry[]>> {
  const places = await db
    .selectFrom('visit_job as vj')
    .innerJoin('visit as v', 'v.id', 'vj.visit_id')
    .select(['vj.job_id', 'vj.visit_id'])
    .where('v.ended_at', 'is', null)
    .execute();
  if (places.length === 0) return new Map();
  const jobIds = places.map((place) => place.job_id);
  const visitOf = new Map(places.map((place) => [String(place.job_id), place.visit_id]));
  const entries = await readEntries(db, (rows) => rows.where('l.job_id', 'in', jobIds));
  return grouped(entries, ({ jobId }) => visitOf.get(jobId ?? '') ?? 0);
}

function grouped<T, K>(rows: readonly T[], keyOf: (row: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const row of rows) groups.set(keyOf(row), [...(groups.get(keyOf(row)) ?? []), row]);
  return groups;
}

const runningClocks = (db: Db) =>
  db
    .selectFrom('clock')
    .select(['job_id as jobId', 'kind', 'ends_at as endsAt'])
    .where('state', '=', 'running')
    .execute();

const partsWanted = (db: Db) =>
  db
    .selectFrom('part_line as l')
    .innerJoin('part as p', 'p.id', 'l.part_id')
    .leftJoin('part_order as o', 'o.id', 'l.order_id')
    .select(['l.job_id as jobId', 'p.name', 'l.state', 'o.expected_at as expectedAt'])
    .execute();

/** Who has hands on a visit now. */
async function inHandBy(db: Db, entries: readonly Entry[]): Promise<number | null> {
  const name = cardOf(entries).working.at(-1)?.by;
  if (name === undefined) return null;
  const person = await db.selectFrom('person').select('id').where('name', '=', name).executeTakeFirst();
  return person?.id ?? null;
}

async function demandsOf(db: Db, visits: readonly BenchVisit[], at: Date): Promise<Map<string, number>> {
  const classes = [...new Set(visits.map(({ classId }) => classId))];
  return new Map(
    await Promise.all(
      classes.map(
        async (classId) => [classId, (await demandFor(db, classId, at)).share ?? MONEY.shareOut.value] as const,
      ),
    ),
  );
}

interface Yard {
  readonly at: Date;
  readonly hands: readonly Hand[];
  readonly demand: number;
}

/** Who is good at all that the jobs want. Where nobody is said to be good at something, anybody may do it. */
function whoCan(hands: readonly Pick<Hand, 'id' | 'skills'>[], jobs: readonly Pick<JobRow, 'work'>[]): string[] {
  const wanted = jobs
    .flatMap(({ work }) => entryOf(ITEM_OF_WORK, work)?.skill ?? [])
    .filter((skill) => hands.some(({ skills }) => skills.includes(skill)));
  const able = hands.filter(({ skills }) => wanted.every((skill) => skills.includes(skill)));
  // Each by another: then whoever is good at one of them, and the other looks over their shoulder.
  const some = able.length > 0 ? able : hands.filter(({ skills }) => wanted.some((skill) => skills.includes(skill)));
  return some.map(({ id }) => String(id));
}

/** A visit as the plan takes it. A unit that is fit goes out as it is, and is worked on before or after; one that is not misses its hire. */
function planVisit(
  { visit, jobs, phases, part, readiness, classId, hire, spans, inHandBy: holder }: BenchVisit,
  yard: Yard,
): PlanVisit {
  const { at, hands, demand } = yard;
  const minute = (moment: Date): number => Math.round((moment.getTime() - at.getTime()) / MINUTE_MS);
  const { dayCents } = folderOf(classId).money;
  const goesAsItIs = readiness === 'fit' || readiness === 'out';
  const away = spans.map(([from, to]): Stretch => [minute(from), minute(to)]);
  const out = readiness === 'out' ? Math.max(0, ...away.filter(([from]) => from <= 0).map(([, to]) => to)) : 0;
  const everybody = hands.map(({ id }) => String(id));
  const begunBy = jobs.findLast((job) => job.state === 'open')?.started_by ?? null;
  const doer = [holder, visit.given_to, begunBy].find((id) => id !== null && everybody.includes(String(id))) ?? null;
  // Who left gives back what was put to him, with its hour.
  const hasLeft = visit.given_to !== null && !everybody.includes(String(visit.given_to));
  // To the hundredth: what is booked shifts with every second.
  const waits = Math.round((dayCents * demand * 100) / DAY_MINUTES) / 100;
  return {
    id: String(visit.id),
    phases: phases.map(({ what: _, ...phase }) => phase),
    releaseAt: Math.max(part?.minutes ?? 0, out),
    dueAt: hire === null || goesAsItIs ? null : minute(hire.fromAt),
    centsPerMinuteLate: (dayCents * LATE_TIMES) / DAY_AT_WORK,
    centsPerMinuteWaiting: waits * (goesAsItIs ? FIT_WAITS : 1),
    who: doer === null ? whoCan(hands, jobs) : [String(doer)],
    inHand: holder !== null && doer === holder,
    pinnedAt: visit.pinned_at === null || hasLeft || holder !== null ? null : Math.max(minute(visit.pinned_at), 0),
    away: goesAsItIs ? away.filter(([, to]) => to > out) : [],
    seen: null,
  };
}
