import { OPEN_JOB_STATES } from '@hudrik/core/card';
import { classOf, stepsOfService, workOfItem } from '@hudrik/core/catalogue';
import type { HireLine, JobLine, ServiceItemState, Shift, ShiftLine, UnitLine } from '@hudrik/core/contracts';
import { sayAtGate, type AtGate } from '@hudrik/core/log';
import { byNeed, coverHires, neededAt, type Shortfall } from '@hudrik/core/readiness';
import { doneBySteps, itemsWithJobs } from '@hudrik/core/service';
import type { Context } from '../context';
import { toUnitLine, unitRows } from '../fleet/unitLines';
import { readAtGate } from '../hires/readAtGate';
import { hireRows, toHireLine } from '../hires/hireLines';
import { jobRows, toJobLine } from '../jobs/jobLines';
import { readServiceFacts, type ServiceFacts } from '../service/serviceFacts';
import { serviceOf } from '../service/unitService';
import { aloneLines, warnedLines } from './warned';

/** How far ahead a hire counts as going out soon. */
const SOON_HOURS = 48;
/** A check-in takes about so long (common practice). */
const CHECK_IN_MINUTES = 6;

/** What to do now, under five headings, with reasons. */
export async function readShift({ db, now }: Context): Promise<Shift> {
  const at = now();
  const soonUntil = new Date(at.getTime() + SOON_HOURS * 3_600_000);
  const units = (await unitRows(db).where('u.readiness', 'not in', ['gone', 'laid-up']).orderBy('u.tag').execute()).map(
    toUnitLine,
  );
  const jobs = (await jobRows(db).where('j.state', 'in', OPEN_JOB_STATES).execute()).map(toJobLine);
  const hires = (
    await hireRows(db)
      .where('h.state', 'in', ['booked', 'out', 'back'])
      .where('h.from_at', '<', new Date(at.getTime() + 7 * 86_400_000))
      .orderBy('h.from_at')
      .execute()
  ).map(toHireLine);
  const leaving = hires.filter((hire) => hire.state === 'booked' && Date.parse(hire.fromAt) <= soonUntil.getTime());
  const soon = shortfallLines(leaving, units, jobs);
  const waitingFor = new Set(soon.map((line) => line.tag));
  const back = backLines(
    hires,
    units,
    at,
    await readAtGate(
      db,
      hires.filter((hire) => hire.state === 'back').map((hire) => hire.reference),
    ),
  );
  const opened = jobs.filter((job) => job.state === 'open');
  const planned = await plannedBy(db);
  const withPlan = (line: ShiftLine): ShiftLine => {
    const own = planned.get(line.tag ?? '');
    return own ? { ...line, facts: { ...line.facts, plannedFrom: own.from, plannedWho: own.who } } : line;
  };
  const inPlan = (a: ShiftLine, b: ShiftLine): number =>
    byNeed(planned.get(a.tag ?? '')?.from ?? null, planned.get(b.tag ?? '')?.from ?? null);
  return {
    at: at.toISOString(),
    goingOut: leaving.length,
    goingOutNotFit: soon.length,
    minutesBetween: [...back, ...soon].reduce((sum, line) => sum + line.minutes, 0),
    back,
    soon: soon.map(withPlan),
    held: units
      .filter(
        (unit) => unit.verdict.readiness === 'held' && !unit.verdict.notLookedAtSince && !waitingFor.has(unit.tag),
      )
      .map((unit) => withPlan(unitLine('held', unit, jobs)))
      .sort(inPlan),
    inWork: opened.map((job) => withPlan(jobShiftLine(job))).sort(inPlan),
    toSign: await signatureLines(db),
    due: await dueLines(db, at),
    warned: await warnedLines(db),
    alone: await aloneLines(db),
    hires: hires.slice(0, 60),
  };
}

/** Cards for which somebody who may not sign asks for a signature. */
async function signatureLines(db: Context['db']): Promise<ShiftLine[]> {
  const rows = await db
    .selectFrom('visit as v')
    .innerJoin('unit as u', 'u.id', 'v.unit_id')
    .innerJoin('person as p', 'p.id', 'v.signature_asked_by')
    .select(['u.tag', 'u.class_id', 'p.name', 'v.signature_asked_at'])
    .select((eb) =>
      eb
        .selectFrom('visit_job')
        .select((min) => min.fn.min('job_id').as('id'))
        .whereRef('visit_id', '=', 'v.id')
        .as('job_id'),
    )
    .where('v.ended_at', 'is', null)
    .orderBy('v.signature_asked_at')
    .execute();
  return rows.map((row) => ({
    tag: row.tag,
    classId: row.class_id,
    code: 'to-sign',
    facts: { by: row.name, since: row.signature_asked_at?.toISOString() ?? null },
    because: [],
    minutes: 0,
    jobId: row.job_id === null ? null : String(row.job_id),
    reference: null,
  }));
}

const minutesOf = (tag: string | null, jobs: readonly JobLine[]): number =>
  jobs.filter((job) => job.tag === tag && job.blocks !== 'none').reduce((sum, job) => sum + job.minutes, 0);

function unitLine(code: string, unit: UnitLine, jobs: readonly JobLine[]): ShiftLine {
  const job = jobs.find((entry) => entry.tag === unit.tag && entry.blocks !== 'none');
  return {
    tag: unit.tag,
    classId: unit.classId,
    code,
    facts: { since: unit.readySince, readiness: unit.verdict.readiness },
    because: unit.verdict.because,
    minutes: minutesOf(unit.tag, jobs),
    jobId: job?.id ?? null,
    reference: null,
  };
}

/** What is back, in the order in which it is needed again; then what should be. */
function backLines(
  hires: readonly HireLine[],
  units: readonly UnitLine[],
  at: Date,
  atGate: ReadonlyMap<string, AtGate>,
): ShiftLine[] {
  const booked = hires.filter((hire) => hire.state === 'booked');
  const late = (hire: HireLine) => hire.state === 'out' && Date.parse(hire.toAt) < at.getTime();
  return hires
    .filter((hire) => hire.state === 'back' || late(hire))
    .flatMap((hire) => {
      const unit = units.find((entry) => entry.tag === hire.tag);
      if (unit === undefined) return [];
      const code = hire.state === 'back' ? 'back-not-looked-at' : 'overdue';
      const said = atGate.get(hire.reference);
      const line: ShiftLine = {
        tag: unit.tag,
        classId: unit.classId,
        code,
        facts: { since: hire.backAt, dueAt: hire.toAt, nextFrom: unit.nextHire?.fromAt ?? null },
        because: said ? sayAtGate(said) : [],
        minutes: code === 'overdue' ? 0 : CHECK_IN_MINUTES,
        jobId: null,
        reference: hire.reference,
      };
      return [{ line, needed: neededAt(unit, booked) }];
    })
    .sort((a, b) => a.line.code.localeCompare(b.line.code) || byNeed(a.needed, b.needed))
    .map(({ line }) => line);
}

function shortfallLines(
  leaving: readonly HireLine[],
  units: readonly UnitLine[],
  jobs: readonly JobLine[],
): ShiftLine[] {
  const onYard = units.map((unit) => ({
    tag: unit.tag,
    classId: unit.classId,
    fit: unit.verdict.readiness === 'fit',
  }));
  return coverHires(leaving, onYard).map((shortfall) => soonLine(shortfall, units, jobs));
}

function soonLine(shortfall: Shortfall<HireLine>, units: readonly UnitLine[], jobs: readonly JobLine[]): ShiftLine {
  const { hire } = shortfall;
  const classId = hire.classId;
  const base = { classId, reference: hire.reference };
  if (shortfall.code === 'class-short')
    return {
      ...base,
      tag: null,
      code: 'class-short',
      facts: { fromAt: hire.fromAt, class: classOf(classId).name },
      because: [],
      minutes: 0,
      jobId: null,
    };
  const unit = units.find((entry) => entry.tag === hire.tag);
  const job = jobs.find((entry) => entry.tag === hire.tag && entry.blocks !== 'none');
  const facts = {
    fromAt: hire.fromAt,
    readiness: unit?.verdict.readiness ?? 'gone',
    nearestFit: shortfall.nearestFit,
    backAt: unit?.verdict.notLookedAtSince ?? null,
    dueAt: unit?.verdict.dueAt ?? null,
  };
  return {
    ...base,
    tag: hire.tag,
    code: 'unit-not-fit',
    facts,
    because: unit?.verdict.because ?? [],
    minutes: minutesOf(hire.tag, jobs),
    jobId: job?.id ?? null,
  };
}

const jobShiftLine = (job: JobLine): ShiftLine => ({
  tag: job.tag,
  classId: job.classId,
  code: 'in-work',
  facts: { by: job.startedBy, title: job.title },
  because: job.why,
  minutes: job.minutes,
  jobId: job.id,
  reference: null,
});

/** Units whose service is best done now, the most overdue first: what of it, in one visit. */
async function dueLines(db: Context['db'], at: Date): Promise<ShiftLine[]> {
  const here = (await readServiceFacts(db, at)).filter(({ readiness }) => !['out', 'laid-up'].includes(readiness));
  return here
    .flatMap((facts) => {
      const { items, visits } = serviceOf(facts, at);
      const now = visits[0];
      if (now === undefined || now.inDays >= 1) return [];
      const own = items.filter(({ id }) => now.ids.includes(id));
      return [{ line: dueLine(facts, own), worst: Math.min(...own.map(({ share }) => share)) }];
    })
    .sort((a, b) => a.worst - b.worst)
    .map(({ line }) => line);
}

type DueItem = Pick<ServiceItemState, 'id' | 'share' | 'runsOutDuring'>;

function dueLine({ tag, classId, plan: own }: ServiceFacts, items: readonly DueItem[]): ShiftLine {
  const plan = own.items.filter(({ id }) => items.some((item) => item.id === id));
  const jobs = itemsWithJobs(plan, (item) => doneBySteps(stepsOfService(workOfItem(item)), own.items));
  return {
    tag,
    classId,
    code: 'service-due',
    facts: {
      overdue: items.filter(({ share }) => share < 0).length,
      runsOutDuring: items.find(({ runsOutDuring }) => runsOutDuring !== null)?.runsOutDuring ?? null,
    },
    because: plan.map(({ name }) => name),
    minutes: jobs.reduce((sum, { minutes }) => sum + minutes, 0),
    jobId: null,
    reference: null,
    raises: jobs.map((item) => ({ work: workOfItem(item), title: item.name, minutes: item.minutes })),
  };
}

/** What the plan that people see says of each unit: who works on it, and from when. */
async function plannedBy(
  db: Context['db'],
): Promise<ReadonlyMap<string, { readonly from: string; readonly who: string }>> {
  const kept = await db.selectFrom('bench_plan').select(['made_at', 'plan', 'tags']).executeTakeFirst();
  if (kept === undefined) return new Map();
  const people = new Map(
    (await db.selectFrom('person').select(['id', 'name']).execute()).map(({ id, name }) => [String(id), name]),
  );
  return new Map(
    kept.plan.visits.flatMap(({ id, from, who }) => {
      const at = new Date(kept.made_at.getTime() + from * 60_000).toISOString();
      const tag = kept.tags[id];
      return tag === undefined || who === null ? [] : [[tag, { from: at, who: people.get(who) ?? '' }] as const];
    }),
  );
}
