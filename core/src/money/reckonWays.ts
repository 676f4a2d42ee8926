export type WayId = 'mend' | 'replace' | 'swap-engine' | 'retire';

export interface Risk {
  readonly id: string;
  readonly odds: number;
  readonly minutes: number;
}

/** What is asked of one unit's trouble. Money in cents, times in minutes and days, odds from 0 to 1. */
export interface WayAsked {
  readonly centsPerHour: number;
  /** What the yard loses for each day that it stands; 0 out of season. */
  readonly dayCents: number;
  /** Share of days that it would have been out. */
  readonly shareOut: number;
  /** Minutes to get there and back, before anything is done. */
  readonly accessMinutes: number;
  readonly mend: {
    readonly minutes: number;
    readonly partsCents: number;
    readonly leadDays: number;
    readonly success: number;
  };
  readonly replace: { readonly minutes: number; readonly partsCents: number; readonly leadDays: number } | null;
  readonly swap: {
    readonly minutes: number;
    readonly engineCents: number;
    readonly leadDays: number;
    readonly success: number;
  } | null;
  readonly comeback: { readonly mend: number; readonly replace: number; readonly 'swap-engine': number };
  readonly risks: readonly Risk[];
  /** Worth of the unit sound, and let go as it is. */
  readonly soundCents: number;
  readonly scrapCents: number;
  /** A swap brings some worth back with it. */
  readonly swapAddsCents: number;
  /** To find another unit for its hires, when it goes. */
  readonly daysToReplace: number;
}

export interface Way {
  readonly way: WayId;
  readonly handsCents: number;
  readonly partsCents: number;
  readonly daysCents: number;
  readonly riskCents: number;
  readonly comebackCents: number;
  /** Falling back to the next way where this one fails. */
  readonly failCents: number;
  readonly valueCents: number;
  /** All of it, less what the unit is worth after. */
  readonly costCents: number;
}

export interface Ways {
  /** Cheapest first. */
  readonly ways: readonly Way[];
  /** Odds of mending at which replacing the part costs the same; null where there is none between 0 and 1. */
  readonly breakEvenSuccess: number | null;
}

/** A day of bench work has so many minutes of hands (judgement). */
const BENCH_DAY_MINUTES = 360;

interface Doing {
  readonly minutes: number;
  readonly partsCents: number;
  readonly leadDays: number;
  readonly comeback: number;
}

/**
 * Mend, replace the part, swap the engine or let it go, by expected cost.
 * Each way: hands × rate + parts + days stood × day's hire × the share of days it would be out + risks + odds of a comeback × doing it
 * again; where it fails, the next way on top; less what the unit is worth after. Out: ways by cost, and the break-even odds. Source: a
 * decision tree (expected monetary value), common practice; figures are the caller's. Example: 60 min at 60.00 and parts 10.00, sure to
 * hold, nothing lost and nothing worth: 70.00.
 */
export function reckonWays(asked: WayAsked): Ways {
  const retire = retireWay(asked);
  const swap =
    asked.swap === null
      ? null
      : withFallback(
          asked,
          'swap-engine',
          { ...asked.swap, partsCents: asked.swap.engineCents, comeback: asked.comeback['swap-engine'] },
          asked.swap.success,
          retire.costCents,
          asked.soundCents + asked.swapAddsCents,
        );
  const replace =
    asked.replace === null
      ? null
      : withFallback(asked, 'replace', { ...asked.replace, comeback: asked.comeback.replace }, 1, 0, asked.soundCents);
  const next = Math.min(...[replace, swap, retire].flatMap((way) => (way === null ? [] : way.costCents)));
  const mendAt = (success: number): Way =>
    withFallback(asked, 'mend', { ...asked.mend, comeback: asked.comeback.mend }, success, next, asked.soundCents);
  const mend = mendAt(asked.mend.success);
  const ways = [mend, replace, swap, retire].filter((way) => way !== null).sort((a, b) => a.costCents - b.costCents);
  return { ways, breakEvenSuccess: replace === null ? null : breakEven(mendAt, replace.costCents) };
}

function doingOf(asked: WayAsked, { minutes, partsCents, leadDays, comeback }: Doing) {
  const hands = minutes + asked.accessMinutes;
  const perMinute = asked.centsPerHour / 60;
  const handsCents = hands * perMinute;
  const daysCents = (leadDays + hands / BENCH_DAY_MINUTES) * asked.dayCents * asked.shareOut;
  const riskCents = asked.risks.reduce((sum, risk) => sum + risk.odds * risk.minutes * perMinute, 0);
  return {
    handsCents,
    partsCents,
    daysCents,
    riskCents,
    comebackCents: comeback * (handsCents + partsCents + daysCents),
  };
}

function withFallback(
  asked: WayAsked,
  way: WayId,
  doing: Doing,
  success: number,
  nextCents: number,
  worthCents: number,
): Way {
  const parts = doingOf(asked, doing);
  const spent = parts.handsCents + parts.partsCents + parts.daysCents + parts.riskCents;
  const valueCents = success * worthCents;
  const comebackCents = success * parts.comebackCents;
  const failCents = (1 - success) * nextCents;
  return {
    way,
    ...parts,
    comebackCents,
    failCents,
    valueCents,
    costCents: spent + comebackCents + failCents - valueCents,
  };
}

function retireWay({ scrapCents, dayCents, shareOut, daysToReplace }: WayAsked): Way {
  const daysCents = daysToReplace * dayCents * shareOut;
  return {
    way: 'retire',
    handsCents: 0,
    partsCents: 0,
    daysCents,
    riskCents: 0,
    comebackCents: 0,
    failCents: 0,
    valueCents: scrapCents,
    costCents: daysCents - scrapCents,
  };
}

/** Cost goes in a straight line with the odds. */
function breakEven(mendAt: (success: number) => Way, other: number): number | null {
  const [none, sure] = [mendAt(0).costCents, mendAt(1).costCents];
  const at = (none - other) / (none - sure);
  return Number.isFinite(at) && at >= 0 && at <= 1 ? at : null;
}
