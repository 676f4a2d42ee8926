import {
  FAULTS,
  folderOf,
  LOOK_BEFORE_QUOTE,
  MONEY,
  RISKS,
  STATES_FOUND,
  type FaultId,
  type RiskId,
  type StateFound,
} from '@hudrik/core/catalogue';
import type { WaysReply } from '@hudrik/core/contracts';
import { reckonWays, type WayAsked } from '@hudrik/core/money';
import type { Context } from '../context';
import { linesOfJob } from '../parts/partLines';
import { quotePart } from '../parts/quotePart';
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

/** Mend, replace, swap or let go, for what is wrong with this unit, with the yard's figures and the supplier's. */
export async function readWays(context: Context, jobId: string, query: WaysQuery): Promise<WaysReply> {
  const { db } = context;
  const job = await db
    .selectFrom('job as j')
    .innerJoin('unit as u', 'u.id', 'j.unit_id')
    .select(['j.id', 'j.check_in_id', 'j.minutes', 'u.class_id'])
    .where('j.id', '=', jobIdOf(jobId))
    .executeTakeFirst();
  if (job === undefined) return refuse('not-found', { job: jobId });
  const { causes, seen } = await jobBackground(db, job);
  const money = folderOf(job.class_id).money;
  const repairs = causes.map((id) => FAULTS[id as FaultId].repair);
  const lines = (await linesOfJob(db, job.id)).filter((line) => !['dropped', 'returned'].includes(line.state));
  const quotes = await Promise.all(
    lines.filter((line) => line.state === 'wanted').map((line) => quotePart(context, line.number)),
  );
  const linesCents = lines.reduce(
    (sum, line) => sum + line.count * (quotes.find((quote) => quote.number === line.number)?.cents ?? line.cents),
    0,
  );
  const leadDays = Math.max(0, ...quotes.map((quote) => quote.leadDays ?? 0));
  const minutes = repairs.length === 0 ? job.minutes : repairs.reduce((sum, repair) => sum + repair.minutes, 0);
  const newPartsCents = lines.length > 0 ? linesCents : repairs.reduce((sum, repair) => sum + repair.partsCents, 0);
  const risks = query.risks.split(',').filter((id): id is RiskId => Object.hasOwn(RISKS, id));
  const notToBeHad = quotes.filter((quote) => !quote.obtainable && quote.problem === null).map((quote) => quote.number);
  const asked: WayAsked = {
    centsPerHour: MONEY.centsPerHour,
    dayCents: money.dayCents,
    shareOut: SHARE_OUT,
    accessMinutes: query.access,
    mend: {
      minutes,
      partsCents: Math.round(newPartsCents * MENDING_PARTS),
      leadDays: 0,
      success: STATES_FOUND[query.state].success,
    },
    // A part that is not to be had changes the answer: there is nothing to replace it with.
    replace:
      notToBeHad.length > 0
        ? null
        : { minutes: Math.round(minutes * REPLACING_MINUTES), partsCents: newPartsCents, leadDays },
    swap: {
      minutes: money.swapMinutes,
      engineCents: money.engineCents,
      leadDays: ENGINE_LEAD_DAYS,
      success: SWAP_SUCCESS,
    },
    comeback: MONEY.comeback,
    risks: risks.map((id) => ({ id, odds: RISKS[id].odds, minutes: RISKS[id].minutes })),
    soundCents: money.soundCents,
    scrapCents: money.scrapCents,
    swapAddsCents: Math.round(money.soundCents * SWAP_ADDS),
    daysToReplace: DAYS_TO_REPLACE,
  };
  const { ways, breakEvenSuccess } = reckonWays(asked);
  return {
    ways: [...ways],
    breakEvenSuccess,
    notToBeHad,
    notLookedAt: LOOK_BEFORE_QUOTE.filter((look) => !look.observations.some((id) => seen.includes(id))).map(
      (look) => look.name,
    ),
    given: {
      ...asked,
      state: query.state,
      riskIds: risks,
      quoted: quotes.map(({ number, cents, leadDays: days, problem }) => ({ number, cents, leadDays: days, problem })),
    },
  };
}

/** Mending by hand takes gaskets and small things of what a new part costs; fitting a new one takes less time than cleaning (judgement). */
const MENDING_PARTS = 0.25;
const REPLACING_MINUTES = 0.7;
