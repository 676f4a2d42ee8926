import {
  folderOf,
  LOOK_BEFORE_QUOTE,
  MONEY,
  own,
  RISK_IDS,
  saySource,
  type ClassId,
  type RiskId,
  type Source,
  type StateFound,
} from '@hudrik/core/catalogue';
import { OPEN_JOB_STATES } from '@hudrik/core/card';
import type { PartLine, Quote, WaysReply } from '@hudrik/core/contracts';
import type { Seen } from '@hudrik/core/diagnosis';
import { workCents, type WaysAsked, type Work } from '@hudrik/core/money';
import { isUnknownNumber } from '@hudrik/core/parts';
import { askedFor, type Trouble, type YardFigures } from '@hudrik/core/reckoning';
import { VOID_LINES } from '@hudrik/core/states';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { lastReading } from '../fleet/meters';
import { linesOfJobs } from '../parts/partLines';
import { readQuote } from '../parts/quotes';
import { readSettings } from '../people/settings';
import { refuse } from '../refusal';
import { demandFor, type Demand } from './demand';
import { jobBackground, type JobBackground } from './jobBackground';
import { cameBackAfter, wasWrong } from './ownCases';
import { jobIdOf } from './readCard';

export interface WaysQuery {
  readonly state: StateFound;
  readonly risks: string;
  readonly access: number;
}

/** The risks that were named, of those that there are. */
export const risksOf = (query: WaysQuery): RiskId[] => RISK_IDS.filter((id) => query.risks.split(',').includes(id));

type Asking = Pick<Context, 'db' | 'now' | 'sums'>;

/** Find it, mend, replace, swap or let go, for what is wrong with this unit, with the yard's figures and what the supplier said last. */
export async function readWays(context: Asking, jobId: string, query: WaysQuery): Promise<WaysReply> {
  const { db, now, sums } = context;
  const job = await db
    .selectFrom('job as j')
    .innerJoin('unit as u', 'u.id', 'j.unit_id')
    .select(['j.id', 'j.check_in_id', 'j.unit_id', 'u.class_id'])
    .where('j.id', '=', jobIdOf(jobId))
    .executeTakeFirst();
  if (job === undefined) return refuse('not-found', { job: jobId });
  const background = await jobBackground(db, job);
  const priced = await priceLines(db, await linesOfJobs(db, [job.id]));
  const trouble = await troubleOf(context, job.class_id, background, query);
  const demand = await demandFor(db, job.class_id, now());
  const yard = await yardFigures({ db, now: now(), job, causes: background.causes, priced, demand });
  const asked = askedFor(trouble, yard);
  const { ways, flips } = await sums.reckon(asked);
  const unseen = LOOK_BEFORE_QUOTE.filter(
    (look) => !look.observations.some((id) => background.shown.some(({ observation }) => observation === id)),
  );
  return {
    ways: [...ways],
    flips: [...flips],
    causes: [...background.causes],
    basis: basisOf({ asked, yard, demand, classId: job.class_id, priced }),
    notToBeHad: [...priced.notToBeHad],
    notLookedAt: unseen.map((look) => look.name),
    given: {
      ...asked,
      state: query.state,
      riskIds: risksOf(query),
      quoted: priced.quotes,
      hours: yard.hours,
      years: yard.years,
    },
  };
}

/** What was seen, each with all the outcomes that it showed. */
function seenOf(shown: JobBackground['shown']): Seen {
  const seen: Record<string, string[]> = {};
  for (const { observation, outcome } of shown) seen[observation] = [...(seen[observation] ?? []), outcome];
  return seen;
}

async function troubleOf(
  { sums }: Asking,
  classId: string,
  { causes, shown, machine }: JobBackground,
  query: WaysQuery,
): Promise<Trouble> {
  const seen = seenOf(shown);
  const minutes = await sums.minutesToFind({ machine: { classId, ...machine }, seen: causes.length === 0 ? seen : {} });
  return {
    classId,
    causes,
    seen,
    setUpsDone: new Set(),
    state: query.state,
    risks: risksOf(query),
    accessMinutes: query.access,
    findMinutes: Math.round(minutes),
  };
}

interface YardAsked {
  readonly db: Db;
  readonly now: Date;
  readonly job: { readonly id: number; readonly unit_id: number; readonly class_id: ClassId };
  readonly causes: readonly string[];
  readonly priced: Priced;
  readonly demand: Demand;
}

async function yardFigures({ db, now, job, causes, priced, demand }: YardAsked): Promise<YardFigures> {
  const { trueHours } = await lastReading(db, job.unit_id);
  return {
    centsPerHour: (await readSettings(db)).centsPerHour,
    shareOut: demand.share,
    cameBack: await cameBackAfter(db, job.class_id, causes),
    wasWrong: await wasWrong(db),
    parts:
      priced.lines === 0
        ? null
        : { cents: priced.cents, leadDays: priced.leadDays, isToBeHad: priced.notToBeHad.length === 0 },
    hours: trueHours,
    years: await yearsOnYard(db, job.unit_id, now),
    open: await openBesides(db, job),
  };
}

const YEAR_MS = 31_557_600_000;

async function yearsOnYard(db: Db, unitId: number, now: Date): Promise<number> {
  const first = await db
    .selectFrom('meter')
    .select('fitted_at')
    .where('unit_id', '=', unitId)
    .orderBy('ordinal')
    .limit(1)
    .executeTakeFirst();
  return first === undefined ? 0 : Math.max((now.getTime() - first.fitted_at.getTime()) / YEAR_MS, 0);
}

/** What else stands open against a unit: the hands and parts of its other open jobs. */
async function openBesides(db: Db, job: YardAsked['job']): Promise<Work> {
  const others = await db
    .selectFrom('job')
    .select(['id', 'minutes'])
    .where('unit_id', '=', job.unit_id)
    .where('id', '<>', job.id)
    .where('state', 'in', OPEN_JOB_STATES)
    .execute();
  if (others.length === 0) return { minutes: 0, partsCents: 0 };
  const lines = await linesOfJobs(
    db,
    others.map(({ id }) => id),
  );
  return {
    minutes: others.reduce((sum, other) => sum + other.minutes, 0),
    partsCents: lines
      .filter((line) => !VOID_LINES.includes(line.state))
      .reduce((sum, line) => sum + line.count * line.cents, 0),
  };
}

interface Priced {
  /** How many lines count. */
  readonly lines: number;
  readonly cents: number;
  /** Until the last of them is there; null: the supplier has said nothing. */
  readonly leadDays: number;
  readonly notToBeHad: readonly string[];
  readonly quotes: readonly Pick<Quote, 'number' | 'cents' | 'leadDays' | 'problem' | 'answeredAt'>[];
}

/** What the parts of a job cost: by what the supplier said last, else by the yard's own price. One whose number nobody knows has no price. */
async function priceLines(db: Db, all: readonly PartLine[]): Promise<Priced> {
  const lines = all.filter((line) => !VOID_LINES.includes(line.state) && !isUnknownNumber(line.number));
  const wanted = lines.filter((line) => line.state === 'wanted');
  const quotes = await Promise.all(wanted.map((line) => readQuote({ db }, line.number)));
  const centsOf = (line: PartLine): number => quotes.find((quote) => quote.number === line.number)?.cents ?? line.cents;
  const unsaid = wanted.length > 0 ? MONEY.partLeadDays.value : 0;
  return {
    lines: lines.length,
    cents: lines.reduce((sum, line) => sum + line.count * centsOf(line), 0),
    leadDays: Math.max(0, ...quotes.map((quote) => quote.leadDays ?? unsaid)),
    notToBeHad: quotes
      .filter((quote) => quote.answeredAt !== null && !quote.obtainable && quote.problem === null)
      .map((quote) => quote.number),
    quotes: quotes.map(({ number, cents, leadDays, problem, answeredAt }) => ({
      number,
      cents,
      leadDays,
      problem,
      answeredAt,
    })),
  };
}

interface Basis {
  readonly asked: WaysAsked;
  readonly yard: YardFigures;
  readonly demand: Demand;
  readonly classId: string;
  readonly priced: Priced;
}

/** What the figures rest on, each with where it comes from. */
function basisOf({ asked, yard, demand, classId, priced }: Basis): WaysReply['basis'] {
  const { money } = folderOf(classId);
  const line = (name: string, value: number, unit: string, source: Source, besides = '') => ({
    name,
    value,
    unit,
    whence: `${saySource(source)}${besides}.`,
  });
  const proven = (cases: number, source: Source): Source => (cases > 0 ? own('proven visits') : source);
  const [first] = asked.doings;
  return [
    line(
      'An hour of the workshop',
      asked.centsPerHour,
      'cents',
      yard.centsPerHour === null ? MONEY.centsPerHour.source : own('price list'),
    ),
    line('A day’s hire', asked.dayCents, 'cents', money.source),
    line(
      'Share of days that it would be out',
      asked.shareOut,
      'odds',
      demand.share === null ? MONEY.shareOut.source : own('bookings'),
      demand.lastYear === null
        ? ''
        : `: ${Math.round(demand.booked * 100)} in 100 booked, ${Math.round(demand.lastYear * 100)} in 100 at this time last year`,
    ),
    line(
      'Worth sound',
      asked.soundCents,
      'cents',
      money.source,
      `; ${Math.round(yard.hours)} h and ${yard.years.toFixed(1)} years have gone off it`,
    ),
    line('Worth let go', asked.scrapCents, 'cents', money.source),
    line('Stands open besides', workCents(asked, asked.open), 'cents', own('price list')),
    ...(first === undefined
      ? []
      : [
          line(
            `Odds that it comes back: ${first.title.toLowerCase()}`,
            first.comeback,
            'odds',
            proven(yard.cameBack.cases, MONEY.comeback[first.way].source),
            `; ${yard.cameBack.came} of ${yard.cameBack.cases} here`,
          ),
        ]),
    line(
      'Odds that the cause is another',
      asked.wrong,
      'odds',
      proven(yard.wasWrong.cases, MONEY.wrong.source),
      `; ${yard.wasWrong.came} of ${yard.wasWrong.cases} here`,
    ),
    ...(priced.lines === 0
      ? []
      : [
          line(
            'Parts of the job',
            priced.cents,
            'cents',
            own(priced.quotes.some((quote) => quote.cents !== null) ? 'supplier' : 'price list'),
          ),
        ]),
  ];
}
