import {
  entryOf,
  FAULTS,
  folderOf,
  LOOK_BEFORE_QUOTE,
  MONEY,
  RISK_IDS,
  RISKS,
  STATES_FOUND,
  type RiskId,
  type StateFound,
} from '@hudrik/core/catalogue';
import type { PartLine, Quote, WaysReply } from '@hudrik/core/contracts';
import { reckonWays, type WayAsked } from '@hudrik/core/money';
import { VOID_LINES } from '@hudrik/core/states';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { linesOfJobs } from '../parts/partLines';
import { readQuote } from '../parts/quotes';
import { refuse } from '../refusal';
import { jobBackground } from './jobBackground';
import { jobIdOf } from './readCard';

export interface WaysQuery {
  readonly state: StateFound;
  readonly risks: string;
  readonly access: number;
}

/** Of all days, the part that a unit is out when hires are not known (judgement). */
const SHARE_OUT = 0.35;
const SWAP_ADDS = 0.1;
const DAYS_TO_REPLACE = 10;
const ENGINE_LEAD_DAYS = 6;
const SWAP_SUCCESS = 0.93;
/** Mending by hand takes gaskets and small things of what a new part costs; fitting a new one takes less time than cleaning (judgement). */
const MENDING_PARTS = 0.25;
const REPLACING_MINUTES = 0.7;

/** The risks that were named, of those that there are. */
export const risksOf = (query: WaysQuery): RiskId[] => RISK_IDS.filter((id) => query.risks.split(',').includes(id));

/** Mend, replace, swap or let go, for what is wrong with this unit, with the yard's figures and what the supplier said last. */
export async function readWays({ db }: Pick<Context, 'db'>, jobId: string, query: WaysQuery): Promise<WaysReply> {
  const job = await db
    .selectFrom('job as j')
    .innerJoin('unit as u', 'u.id', 'j.unit_id')
    .select(['j.id', 'j.check_in_id', 'j.minutes', 'u.class_id'])
    .where('j.id', '=', jobIdOf(jobId))
    .executeTakeFirst();
  if (job === undefined) return refuse('not-found', { job: jobId });
  const { causes, shown } = await jobBackground(db, job);
  const repairs = causes.flatMap((id) => entryOf(FAULTS, id)?.repair ?? []);
  const priced = await priceLines(db, await linesOfJobs(db, [job.id]));
  const minutes = repairs.length === 0 ? job.minutes : repairs.reduce((sum, repair) => sum + repair.minutes, 0);
  const newPartsCents = priced.lines > 0 ? priced.cents : repairs.reduce((sum, repair) => sum + repair.partsCents, 0);
  const asked = askedOf({ classId: job.class_id, minutes, newPartsCents, priced, query });
  const { ways, breakEvenSuccess } = reckonWays(asked);
  const unseen = LOOK_BEFORE_QUOTE.filter(
    (look) => !look.observations.some((id) => shown.some(({ observation }) => observation === id)),
  );
  return {
    ways: [...ways],
    breakEvenSuccess,
    notToBeHad: [...priced.notToBeHad],
    notLookedAt: unseen.map((look) => look.name),
    given: { ...asked, state: query.state, riskIds: risksOf(query), quoted: priced.quotes },
  };
}

interface Priced {
  /** How many lines count. */
  readonly lines: number;
  readonly cents: number;
  readonly leadDays: number;
  readonly notToBeHad: readonly string[];
  readonly quotes: readonly Pick<Quote, 'number' | 'cents' | 'leadDays' | 'problem' | 'answeredAt'>[];
}

/** What the parts of a job cost: by what the supplier said last, else by the yard's own price. */
async function priceLines(db: Db, all: readonly PartLine[]): Promise<Priced> {
  const lines = all.filter((line) => !VOID_LINES.includes(line.state));
  const wanted = lines.filter((line) => line.state === 'wanted');
  const quotes = await Promise.all(wanted.map((line) => readQuote({ db }, line.number)));
  const centsOf = (line: PartLine): number => quotes.find((quote) => quote.number === line.number)?.cents ?? line.cents;
  return {
    lines: lines.length,
    cents: lines.reduce((sum, line) => sum + line.count * centsOf(line), 0),
    leadDays: Math.max(0, ...quotes.map((quote) => quote.leadDays ?? 0)),
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

interface Reckoning {
  readonly classId: string;
  readonly minutes: number;
  readonly newPartsCents: number;
  readonly priced: Priced;
  readonly query: WaysQuery;
}

function askedOf({ classId, minutes, newPartsCents, priced, query }: Reckoning): WayAsked {
  const { money } = folderOf(classId);
  const { success } = STATES_FOUND[query.state];
  return {
    centsPerHour: MONEY.centsPerHour,
    dayCents: money.dayCents,
    shareOut: SHARE_OUT,
    accessMinutes: query.access,
    mend: { minutes, partsCents: Math.round(newPartsCents * MENDING_PARTS), leadDays: 0, success },
    // A part that is not to be had changes the answer: there is nothing to replace it with.
    replace:
      priced.notToBeHad.length > 0
        ? null
        : {
            minutes: Math.round(minutes * REPLACING_MINUTES),
            partsCents: newPartsCents,
            leadDays: priced.leadDays,
          },
    swap: {
      minutes: money.swapMinutes,
      engineCents: money.engineCents,
      leadDays: ENGINE_LEAD_DAYS,
      success: SWAP_SUCCESS,
    },
    comeback: MONEY.comeback,
    risks: risksOf(query).map((id) => ({ id, odds: RISKS[id].odds, minutes: RISKS[id].minutes })),
    soundCents: money.soundCents,
    scrapCents: money.scrapCents,
    swapAddsCents: Math.round(money.soundCents * SWAP_ADDS),
    daysToReplace: DAYS_TO_REPLACE,
  };
}
