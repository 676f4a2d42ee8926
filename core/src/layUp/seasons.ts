import { JUDGEMENT, type Threshold } from '../catalogue';

/** A stretch of the year in which a class stands as a rule; it may go over the turn of the year. Months and days as MM-DD. */
export interface Season {
  readonly from: string;
  readonly to: string;
  /** While it stands, the chance that one is called at short notice. */
  readonly callOdds: number;
}

export interface SeasonWrong {
  readonly code: 'not-a-day' | 'odds' | 'overlap';
  readonly at: number;
}

const DAY = /^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;

/** What is wrong with the seasons of a class. Out: the first of it; null where nothing is. */
export function wrongOfSeasons(seasons: readonly Season[]): SeasonWrong | null {
  for (const [at, { from, to, callOdds }] of seasons.entries()) {
    if (!isDay(from) || !isDay(to) || from === to) return { code: 'not-a-day', at };
    if (!(callOdds >= 0 && callOdds <= 1)) return { code: 'odds', at };
    if (seasons.slice(0, at).some((other) => overlap(other, { from, to, callOdds }))) return { code: 'overlap', at };
  }
  return null;
}

const isDay = (text: string): boolean => DAY.test(text) && Number(text.slice(3)) <= daysOf(Number(text.slice(0, 2)));
const daysOf = (month: number): number => (month === 2 ? 28 : [4, 6, 9, 11].includes(month) ? 30 : 31);

const overlap = (a: Season, b: Season): boolean =>
  isWithin(a.from, b) || isWithin(a.to, b) || isWithin(b.from, a) || isWithin(b.to, a);

/** Whether a day (MM-DD) lies in a season. */
const isWithin = (day: string, { from, to }: Season): boolean =>
  from <= to ? day >= from && day <= to : day >= from || day <= to;

export interface IdleForecast {
  readonly season: Season;
  /** Days from now on which it begins to stand; 0 where it does. */
  readonly beginsIn: number;
  /** How long it will stand from then, 8 in 10 between. */
  readonly early: number;
  readonly expected: number;
  readonly late: number;
  /** A booked hire ends it. */
  readonly endsByHire: boolean;
}

const DAY_MS = 86_400_000;
export const SEASON_SPREAD: Threshold = {
  name: 'A season ends so much earlier or later, 8 years in 10',
  value: 14,
  unit: 'days',
  source: JUDGEMENT,
};
export const SEASON_AHEAD: Threshold = {
  name: 'Lay-up is laid out so long before a season begins',
  value: 45,
  unit: 'days',
  source: JUDGEMENT,
};

/**
 * How long a unit will stand. In: the seasons of its class, now, when its next hire begins (null: none booked). Out: null where no season is on or
 * near. Until the season ends, or its next hire begins. Example: 1 May, season to 10-31, no hire: 183 days.
 */
export function idleForecast(seasons: readonly Season[], now: Date, nextHire: Date | null): IdleForecast | null {
  const near = seasons
    .map((season) => ({ season, ...spanOf(season, now) }))
    .filter(({ beginsIn }) => beginsIn <= SEASON_AHEAD.value)
    .sort((a, b) => a.beginsIn - b.beginsIn)[0];
  if (near === undefined) return null;
  const { season, beginsIn, endsIn } = near;
  const hireIn = nextHire === null ? Infinity : (nextHire.getTime() - now.getTime()) / DAY_MS;
  const expected = Math.max(Math.min(endsIn, hireIn) - beginsIn, 0);
  const endsByHire = hireIn < endsIn;
  return {
    ...{ season, beginsIn, expected, endsByHire },
    early: endsByHire ? expected : Math.max(expected - SEASON_SPREAD.value, 0),
    late: endsByHire ? expected : expected + SEASON_SPREAD.value,
  };
}

/** Days from now until the season that is on, or the next, begins (0: it is on) and ends. */
function spanOf({ from, to }: Season, now: Date): { beginsIn: number; endsIn: number } {
  const today = Date.UTC(now.getUTCFullYear(), now.getUTCMonth(), now.getUTCDate());
  const on = (year: number, day: string): number => Date.UTC(year, Number(day.slice(0, 2)) - 1, Number(day.slice(3)));
  const year = now.getUTCFullYear();
  const spans = [year - 1, year, year + 1].map((one) => {
    const begins = on(one, from);
    return { begins, ends: on(to < from ? one + 1 : one, to) };
  });
  const next = spans.find(({ ends }) => ends >= today) ?? { begins: today, ends: today };
  return {
    beginsIn: Math.max((next.begins - today) / DAY_MS, 0),
    endsIn: (next.ends - today) / DAY_MS,
  };
}
