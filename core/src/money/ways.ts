import { JUDGEMENT, type Threshold } from '../catalogue/shapes';

/** What can be done: find what it is, mend a part, fit a new one, another engine, or let the unit go. */
export type WayId = 'find' | 'mend' | 'replace' | 'swap-engine' | 'retire';

export interface Risk {
  readonly id: string;
  readonly odds: number;
  readonly minutes: number;
}

/** Something that is done to the unit. Minutes with what has to come off; odds from 0 to 1. */
export interface Doing {
  readonly way: Exclude<WayId, 'retire'>;
  readonly title: string;
  readonly minutes: number;
  readonly partsCents: number;
  readonly leadDays: number;
  /** In what share of machines it holds. */
  readonly holds: number;
  /** Odds that the same trouble comes back soon. */
  readonly comeback: number;
}

/** Hands and parts of some work. */
export interface Work {
  readonly minutes: number;
  readonly partsCents: number;
}

/** What is asked of one unit's trouble. Money in cents, times in minutes and days, odds from 0 to 1. */
export interface WaysAsked {
  readonly centsPerHour: number;
  /** What the yard loses for each day that it would have been out. */
  readonly dayCents: number;
  /** Share of days that it would have been out. */
  readonly shareOut: number;
  /** Minutes to get there and back, before anything is done: an enclosure, say. */
  readonly accessMinutes: number;
  /** Rival repairs, another engine, or finding the fault first. */
  readonly doings: readonly Doing[];
  /** Odds that what was found is not it; then it is found anew, and put right, for so much. */
  readonly wrong: number;
  readonly anew: Work;
  readonly risks: readonly Risk[];
  /** What the unit is worth sound, by its age and hours, and let go as it is. */
  readonly soundCents: number;
  readonly scrapCents: number;
  /** Another engine brings some worth with it. */
  readonly swapAddsCents: number;
  /** What else stands open against it, and has to be done before it is sound. */
  readonly open: Work;
  /** Days until another unit is there in its place, when it goes. */
  readonly daysToReplace: number;
}

export interface Way {
  readonly way: WayId;
  readonly title: string;
  readonly handsCents: number;
  readonly partsCents: number;
  readonly daysCents: number;
  readonly riskCents: number;
  readonly comebackCents: number;
  /** Where it does not hold: what the best of the other ways after it costs. */
  readonly failCents: number;
  /** Where what was found is not it: what finding anew costs. */
  readonly wrongCents: number;
  /** What else stands open, paid where this ends with a sound unit. */
  readonly openCents: number;
  /** What is in hand at the end, however it goes. */
  readonly valueCents: number;
  /** All of it, less what the unit is worth after. */
  readonly costCents: number;
}

export const BENCH_DAY: Threshold = {
  name: 'Hands-on minutes of one day on the bench',
  value: 360,
  unit: 'min',
  source: JUDGEMENT,
};

const RETIRE = 'Let it go';

/** What some work costs. */
export const workCents = ({ centsPerHour }: Pick<WaysAsked, 'centsPerHour'>, { minutes, partsCents }: Work): number =>
  (minutes * centsPerHour) / 60 + partsCents;

/** What one doing costs itself, before anything is known of how it ends. */
export function spentOn(asked: WaysAsked, doing: Doing) {
  const hands = doing.minutes + asked.accessMinutes;
  const perMinute = asked.centsPerHour / 60;
  const handsCents = hands * perMinute;
  const daysCents = (doing.leadDays + hands / BENCH_DAY.value) * asked.dayCents * asked.shareOut;
  const riskCents = asked.risks.reduce((sum, risk) => sum + risk.odds * risk.minutes * perMinute, 0);
  return { handsCents, partsCents: doing.partsCents, daysCents, riskCents };
}

export const retireCents = ({ daysToReplace, dayCents, shareOut, scrapCents }: WaysAsked): number =>
  daysToReplace * dayCents * shareOut - scrapCents;

/** What a sound unit is worth after a doing, less what else must be paid before it is sound. */
export const worthAfter = (asked: WaysAsked, { way }: Pick<Doing, 'way'>): number =>
  asked.soundCents + (way === 'swap-engine' ? asked.swapAddsCents : 0) - workCents(asked, asked.open);

/** Odds that what was found is not it, for a doing that rests on what was found: another engine does not, nor does finding. */
export const wrongOf = ({ wrong }: WaysAsked, { way }: Pick<Doing, 'way'>): number =>
  way === 'mend' || way === 'replace' ? wrong : 0;

/** How something ends: what was spent until then, and what is left in hand. */
interface End {
  readonly spentCents: number;
  readonly worthCents: number;
}
const netOf = ({ spentCents, worthCents }: End): number => spentCents - worthCents;

const gone = (asked: WaysAsked): End => ({
  spentCents: asked.daysToReplace * asked.dayCents * asked.shareOut,
  worthCents: asked.scrapCents,
});

/** Finding anew and putting that right, or letting it go: the better. */
function anewOrGone(asked: WaysAsked): End {
  const anew = {
    spentCents: workCents(asked, asked.anew) + workCents(asked, asked.open),
    worthCents: asked.soundCents,
  };
  return netOf(anew) < netOf(gone(asked)) ? anew : gone(asked);
}
export const anewOrGo = (asked: WaysAsked): number => netOf(anewOrGone(asked));

/**
 * Find it, mend, replace, swap the engine or let it go, by expected cost.
 * Each doing: hands (with set-up and access) × rate + parts + days stood × day's hire × the share of days it would be out + risks; where it
 * holds, the odds of a comeback × doing it again, less what the unit is worth after (what else stands open taken off); where it does not, the
 * best of the other ways on top; where what was found is not it, finding anew. Out: ways by cost. Source: a decision tree (expected monetary
 * value), common practice; figures are the caller's. Example: 60 min at 60.00 and parts 10.00, sure to hold, nothing lost and nothing worth: 70.00.
 */
export const reckonWays = (asked: WaysAsked): Way[] =>
  [...asked.doings.map((doing) => wayOf(asked, doing, asked.doings)), retireWay(asked)].sort(
    (a, b) => a.costCents - b.costCents,
  );

function wayOf(asked: WaysAsked, doing: Doing, left: readonly Doing[]): Way {
  const spent = spentOn(asked, doing);
  const wrong = wrongOf(asked, doing);
  const success = doing.holds * (1 - wrong);
  const fails = (1 - doing.holds) * (1 - wrong);
  const next =
    fails === 0
      ? gone(asked)
      : bestOf(
          asked,
          left.filter((other) => other !== doing),
        );
  const anew = anewOrGone(asked);
  const once = spent.handsCents + spent.partsCents + spent.daysCents;
  const comebackCents = success * doing.comeback * once;
  const failCents = fails * next.spentCents;
  const wrongCents = wrong * anew.spentCents;
  const open = workCents(asked, asked.open);
  const openCents = success * open;
  const sound = worthAfter(asked, doing) + open;
  const valueCents = success * sound + fails * next.worthCents + wrong * anew.worthCents;
  const costCents = once + spent.riskCents + comebackCents + failCents + wrongCents + openCents - valueCents;
  return {
    way: doing.way,
    title: doing.title,
    ...spent,
    comebackCents,
    failCents,
    wrongCents,
    openCents,
    valueCents,
    costCents,
  };
}

/** The best of what is left, in expectation; letting it go is always left. */
function bestOf(asked: WaysAsked, left: readonly Doing[]): End {
  const ends = left.map((doing) => {
    const { costCents, valueCents } = wayOf(asked, doing, left);
    return { spentCents: costCents + valueCents, worthCents: valueCents };
  });
  return ends.reduce((best, end) => (netOf(end) < netOf(best) ? end : best), gone(asked));
}

const retireWay = (asked: WaysAsked): Way => ({
  way: 'retire',
  title: RETIRE,
  handsCents: 0,
  partsCents: 0,
  daysCents: asked.daysToReplace * asked.dayCents * asked.shareOut,
  riskCents: 0,
  comebackCents: 0,
  failCents: 0,
  wrongCents: 0,
  openCents: 0,
  valueCents: asked.scrapCents,
  costCents: retireCents(asked),
});
