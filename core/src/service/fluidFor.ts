import { JUDGEMENT, type FluidPlace, type Threshold } from '../catalogue/shapes';

/** What a data sheet says of oils and capacities. Ends of degrees that are not there: null. */
export interface FluidSheet {
  readonly oils: readonly {
    readonly where: string;
    readonly grade: string;
    readonly fromC: number | null;
    readonly toC: number | null;
  }[];
  readonly capacities: readonly { readonly what: string; readonly value: number; readonly unit: string }[];
}

export interface FluidFor {
  /** By the sheet; null where it says none for such a cold start. */
  readonly grade: string | null;
  readonly amount: { readonly value: number; readonly unit: string } | null;
  /** The coldest start that it is chosen for, °C. */
  readonly coldestC: number;
  /** What was right when it was put in is so no more. */
  readonly seasonChanged: boolean;
}

/** The coldest starts to expect by month, January first, °C, where the yard says none: a mountain lake. */
export const COLDEST_STARTS = {
  name: 'Coldest start to expect, by month from January, °C, where the yard says none',
  value: [-22, -20, -15, -7, -2, 3, 6, 5, 0, -6, -13, -20],
  unit: '°C',
  source: JUDGEMENT,
} as const;

const MONTHS = 12;
export const OIL_AHEAD: Threshold = {
  name: 'Oil is chosen for the coldest start of so many months, if it is not changed sooner',
  value: 6,
  unit: 'months',
  source: JUDGEMENT,
};

/** The coldest start within so many days of a day. In: twelve months' coldest, °C. Out: °C; of the day's own month at least. */
export function coldestWithin(byMonth: readonly number[], from: Date, days: number): number {
  const ends = from.getUTCDate() + Math.max(days, 0);
  const months = Math.min(Math.floor(ends / 30.5), MONTHS - 1);
  const starts = Array.from({ length: months + 1 }, (_, ahead) => (from.getUTCMonth() + ahead) % MONTHS);
  return Math.min(...starts.map((month) => byMonth[month] ?? Infinity));
}

/**
 * What an item's fluid is on a day: the grade that the model's sheet has for the coldest start until it is changed again, and how much.
 * In: where it goes, the sheet, twelve months' coldest starts (°C), the day, days until the next change, when it was put in (null: unknown).
 * Out: null where the sheet says nothing of the place. A change of season asks for another grade: common practice.
 * Example: 5W-30 to 5 °C and SAE 30 above; put in in July for 60 days: SAE 30; looked at in October: 5W-30, the season has changed.
 */
export function fluidFor(
  place: FluidPlace,
  { oils, capacities }: FluidSheet,
  byMonth: readonly number[],
  { at, days, putInAt }: { readonly at: Date; readonly days: number; readonly putInAt: Date | null },
): FluidFor | null {
  const own = oils.filter(({ where }) => where.trim().toLowerCase().startsWith(place));
  const capacity = capacities.find(({ what }) => new RegExp(`^${place}\\w*( oil| fluid)?$`, 'i').test(what.trim()));
  if (own.length === 0 && capacity === undefined) return null;
  const ahead = Math.min(days, OIL_AHEAD.value * 30.5);
  const coldestC = coldestWithin(byMonth, at, ahead);
  const gradeAt = (cold: number): string | null =>
    own.find(({ fromC, toC }) => (fromC ?? -Infinity) <= cold && cold < (toC ?? Infinity))?.grade ?? null;
  const grade = gradeAt(coldestC);
  // What stands in it now must start in this month's cold.
  const inside = putInAt === null ? null : gradeAt(coldestWithin(byMonth, putInAt, ahead));
  return {
    grade,
    amount: capacity === undefined ? null : { value: capacity.value, unit: capacity.unit },
    coldestC,
    seasonChanged: inside !== null && inside !== gradeAt(coldestWithin(byMonth, at, 0)),
  };
}
