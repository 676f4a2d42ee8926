import { addMonths } from 'date-fns/addMonths';
import type { Every, ServiceItem } from '../catalogue/shapes';
import { roundTenth, type UseRate } from '../hours';
import { reachedIn, whenReached, type WhenReached } from './whenReached';

/** A point in a unit's life. */
export interface Moment {
  /** True running hours. */
  readonly trueHours: number;
  readonly at: Date;
}

export interface ItemPast {
  readonly item: Pick<ServiceItem, 'id' | 'every' | 'firstHours' | 'anchorMonth'>;
  /** When it was done last; null where nobody knows: it counts from when the unit came then. */
  readonly done: Moment | null;
  readonly came: Moment;
}

export interface ItemState {
  readonly id: string;
  readonly done: Moment | null;
  /** What falls due: at so many true hours, on such a day; null where the item has no such interval. */
  readonly dueHours: number | null;
  readonly dueAt: Date | null;
  /** Running hours left, overdue below 0. */
  readonly hoursLeft: number | null;
  /** Days left, overdue below 0. */
  readonly daysLeft: number | null;
  /** Of the interval, what is left by the stricter of the two: 1 just done, 0 due, below 0 overdue. */
  readonly share: number;
}

const DAY_MS = 86_400_000;

interface HoursPast {
  readonly item: Pick<ServiceItem, 'every' | 'firstHours'>;
  readonly done: Pick<Moment, 'trueHours'> | null;
  readonly came: Pick<Moment, 'trueHours'>;
}

/**
 * The hours at which an item falls due. In: its past. Out: true hours, and how many its interval lasts; null where it hangs on the calendar
 * alone. A new one, that came with fewer hours than its first interval and was never done, falls due at that.
 * Source: common practice (first oil of a new engine). Example: done at 120 h, every 50 h: 170 h; came new, first after 5 h: 5 h.
 */
export function dueAtHours({ item, done, came }: HoursPast): { readonly at: number; readonly lasts: number } | null {
  const { every, firstHours } = item;
  if (firstHours !== undefined && done === null && came.trueHours < firstHours)
    return { at: firstHours, lasts: firstHours };
  return every.hours === undefined ? null : { at: (done ?? came).trueHours + every.hours, lasts: every.hours };
}

/**
 * An item's state at a moment. In: its past, and now. Out: due hours and day, what is left of each, and the share of the interval left
 * by whichever is first. Example: done at 120 h a year ago, every 50 h or 12 months, now at 130 h: 40 h left, 0 days, share 0.
 */
export function itemState(past: ItemPast, now: Moment): ItemState {
  const { item, done, came } = past;
  const { months } = item.every;
  const byHours = dueAtHours(past);
  const dueAt = months === undefined ? null : inSeason(addMonths((done ?? came).at, months), item.anchorMonth);
  const hoursLeft = byHours === null ? null : roundTenth(byHours.at - now.trueHours);
  const daysLeft = dueAt === null ? null : (dueAt.getTime() - now.at.getTime()) / DAY_MS;
  const shares = [
    ...(byHours === null || hoursLeft === null ? [] : [hoursLeft / byHours.lasts]),
    ...(months === undefined || daysLeft === null ? [] : [daysLeft / daysOf(months)]),
  ];
  return { id: item.id, done, dueHours: byHours?.at ?? null, dueAt, hoursLeft, daysLeft, share: Math.min(...shares) };
}

/** The beginning of the season's month that is nearest to a day; without a season the day itself. */
function inSeason(due: Date, month: number | undefined): Date {
  if (month === undefined) return due;
  const year = due.getUTCFullYear();
  const starts = [year - 1, year, year + 1].map((one) => Date.UTC(one, month - 1, 1));
  const away = (at: number): number => Math.abs(at - due.getTime());
  return new Date(starts.reduce((best, at) => (away(at) < away(best) ? at : best)));
}

const daysOf = (months: number): number => (months * 365.25) / 12;

/**
 * When an item falls due, in days from now: by its hours at the unit's own use, or by the calendar, whichever is first.
 * In: state, belief in the use, the share of days that the unit is on hire (0 to 1). Out: days, 8 in 10 between early and late; 0 where it
 * is due. Example: 10 h left at 5 h a hire day, on hire half the days: about 4 days.
 */
export function fallsDueIn(
  { hoursLeft, daysLeft }: Pick<ItemState, 'hoursLeft' | 'daysLeft'>,
  use: UseRate,
  shareOnHire: number,
): WhenReached {
  const byHours = hoursLeft === null ? null : whenReached(hoursLeft, use, shareOnHire);
  const at = (days: number | undefined): number => Math.max(Math.min(days ?? Infinity, daysLeft ?? Infinity), 0);
  return { early: at(byHours?.early), expected: at(byHours?.expected), late: at(byHours?.late) };
}

/** The same without its band. Out: days from now until it is expected to fall due; 0 where it is due. */
export function expectedIn(
  { hoursLeft, daysLeft }: Pick<ItemState, 'hoursLeft' | 'daysLeft'>,
  use: UseRate,
  shareOnHire: number,
): number {
  const byHours = hoursLeft === null ? Infinity : reachedIn(hoursLeft, use, shareOnHire);
  return Math.max(Math.min(byHours, daysLeft ?? Infinity), 0);
}

/** How long an item's interval is in days, by its hours at this use (hours a day, above 0) or by the calendar, whichever is shorter. */
export function intervalDays({ hours, months }: Every, hoursPerDay: number): number {
  const byHours = hours === undefined ? Infinity : hours / hoursPerDay;
  return Math.min(byHours, months === undefined ? Infinity : daysOf(months));
}
