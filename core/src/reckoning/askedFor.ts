import {
  FAULT_KNOWLEDGE,
  faultOf,
  folderOf,
  MONEY,
  RISKS,
  STATES_FOUND,
  type RiskId,
  type StateFound,
} from '../catalogue';
import { waysToPutRight, type PutRight, type Seen } from '../diagnosis';
import { shrunkOdds, worthOf, type Doing, type WaysAsked, type Work } from '../money';

/** Cases of the yard's own, and how many of them came true. */
export interface OwnCases {
  readonly cases: number;
  readonly came: number;
}

/** What is wrong with one unit, as far as anybody knows. */
export interface Trouble {
  readonly classId: string;
  /** Confirmed causes; none: nobody knows yet. */
  readonly causes: readonly string[];
  readonly seen: Seen;
  readonly setUpsDone: ReadonlySet<string>;
  /** The state that the part is in. */
  readonly state: StateFound;
  readonly risks: readonly RiskId[];
  readonly accessMinutes: number;
  /** Without a known cause: minutes that finding it is expected to take, the repair after it counted. */
  readonly findMinutes: number;
}

/** What the yard knows of its own; what it does not know is null, and the default counts. */
export interface YardFigures {
  readonly centsPerHour: number | null;
  /** Share of the coming days that a unit of this class would be out. */
  readonly shareOut: number | null;
  /** How often the same trouble came back, of proven visits with these causes. */
  readonly cameBack: OwnCases;
  /** How often a confirmed cause was not it, of visits with one. */
  readonly wasWrong: OwnCases;
  /** What the job's part lines cost and how long they take; no lines: null. */
  readonly parts: { readonly cents: number; readonly leadDays: number; readonly isToBeHad: boolean } | null;
  readonly hours: number;
  readonly years: number;
  /** What else stands open against the unit. */
  readonly open: Work;
}

/**
 * One unit's trouble as the sum wants it.
 * In: the trouble, what the yard knows. Out: every way with its minutes, parts, lead and odds. A part that is not to be had leaves no way to
 * replace it; what lies on the machine's side of the shaft is not cured by another engine; without a known cause there is nothing to mend or
 * replace, only finding it. Source: the figures' own (see MONEY and the classes' money).
 */
export function askedFor(trouble: Trouble, yard: YardFigures): WaysAsked {
  const { money } = folderOf(trouble.classId);
  const centsPerHour = yard.centsPerHour ?? MONEY.centsPerHour.value;
  const shareOut = yard.shareOut ?? MONEY.shareOut.value;
  return {
    centsPerHour,
    dayCents: money.dayCents,
    shareOut,
    accessMinutes: trouble.accessMinutes,
    doings: doingsFor(trouble, yard),
    wrong: shrunkOdds(MONEY.wrong.value, MONEY.wrongWorth.value, yard.wasWrong.cases, yard.wasWrong.came),
    anew: { minutes: trouble.findMinutes, partsCents: MONEY.partsAfterFinding.value },
    risks: trouble.risks.map((id) => ({ id, odds: RISKS[id].odds, minutes: RISKS[id].minutes })),
    soundCents: worthOf(money.soundCents, yard, money.halfLife, money.scrapCents),
    scrapCents: money.scrapCents,
    swapAddsCents: money.engineCents * MONEY.swapAdds.value,
    open: yard.open,
    daysToReplace: MONEY.daysToReplace.value,
  };
}

function doingsFor(trouble: Trouble, yard: YardFigures): Doing[] {
  const { causes, seen, setUpsDone, state } = trouble;
  const stateShare = STATES_FOUND[state].success / STATES_FOUND.good.success;
  const ways = waysToPutRight(FAULT_KNOWLEDGE, causes, { seen, setUpsDone, stateShare });
  if (ways.length === 0) return [findFirst(trouble, yard)];
  const lined = yard.parts === null ? undefined : wayOfLines(ways, yard.parts.cents);
  const repairs = ways.filter((way) => way !== lined || yard.parts?.isToBeHad !== false);
  return [...repairs.map((way) => repairOf(way, yard, way === lined)), ...anotherEngine(trouble, yard)];
}

/** The way that a job's part lines are of: the one whose usual parts cost about as much. */
function wayOfLines(ways: readonly PutRight[], cents: number): PutRight | undefined {
  const far = ({ partsCents }: PutRight): number => Math.abs(Math.log((partsCents + 100) / (cents + 100)));
  return [...ways].filter(({ partsCents }) => partsCents > 0).sort((a, b) => far(a) - far(b))[0];
}

/** A repair priced: by the job's own lines where they are of it, which also say how long they take to come; else what is dear has to come. */
function repairOf({ way, title, minutes, partsCents, holds }: PutRight, yard: YardFigures, isLined: boolean): Doing {
  const lines = isLined ? yard.parts : null;
  const usualLead = partsCents > MONEY.shelfCents.value ? MONEY.partLeadDays.value : 0;
  return {
    way,
    title,
    minutes,
    partsCents: lines?.cents ?? partsCents,
    leadDays: lines?.leadDays ?? usualLead,
    holds,
    comeback: comebackOf(way, yard),
  };
}

const comebackOf = (way: Doing['way'], { cameBack }: YardFigures): number =>
  shrunkOdds(MONEY.comeback[way].value, MONEY.comebackWorth.value, cameBack.cases, cameBack.came);

const findFirst = ({ findMinutes }: Trouble, yard: YardFigures): Doing => ({
  way: 'find',
  title: 'Find the fault first',
  minutes: findMinutes,
  partsCents: MONEY.partsAfterFinding.value,
  leadDays: 0,
  holds: MONEY.findHolds.value,
  comeback: comebackOf('find', yard),
});

/** Another engine cures what is wrong with an engine: not what it drives. */
function anotherEngine({ classId, causes }: Trouble, yard: YardFigures): Doing[] {
  if (causes.some((id) => faultOf(id)?.lane === 'machine')) return [];
  const { money } = folderOf(classId);
  return [
    {
      way: 'swap-engine',
      title: 'Another engine',
      minutes: money.swapMinutes,
      partsCents: money.engineCents,
      leadDays: MONEY.swapLeadDays.value,
      holds: MONEY.swapHolds.value,
      comeback: comebackOf('swap-engine', yard),
    },
  ];
}
