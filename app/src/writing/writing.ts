import { TZDate } from '@date-fns/tz';
import type { Settings } from '@hudrik/core/contracts';
import { formatFigure, formatMoney } from '@hudrik/core/figures';
import { format } from 'date-fns/format';
import { formatDistanceToNowStrict } from 'date-fns/formatDistanceToNowStrict';

type Writing = Pick<Settings, 'currency' | 'locale' | 'timeZone'>;

/** As the device writes, until the yard's settings are known. */
let writing: Writing = {
  currency: 'USD',
  locale: 'en-US',
  timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
};

/** From now on money, figures and times are written so; not known: as before. Out: a name of the way of writing. */
export function writeAs(settings: Writing | undefined): string {
  if (settings) writing = { currency: settings.currency, locale: settings.locale, timeZone: settings.timeZone };
  return Object.values(writing).join(' ');
}

/** The instant on the yard's own clock. */
const onClock = (instant: string | number | Date): TZDate => new TZDate(new Date(instant).getTime(), writing.timeZone);

/** An instant in the yard's time by a date-fns pattern: "EEE d MMM". */
export const sayAs = (instant: string | number | Date, pattern: string): string => format(onClock(instant), pattern);

const DAY_MS = 86_400_000;

/** "today 09:00", "tomorrow 08:00", "Fri 27 Nov 08:00"; with its year when that is not this one. */
export function sayTime(instant: string): string {
  const day = sayAs(instant, 'yyyy-MM-dd');
  const known = [
    ['today', sayAs(Date.now(), 'yyyy-MM-dd')],
    ['tomorrow', sayAs(Date.now() + DAY_MS, 'yyyy-MM-dd')],
  ].find(([, date]) => date === day)?.[0];
  const isThisYear = day.slice(0, 4) === sayAs(Date.now(), 'yyyy');
  return `${known ?? sayAs(instant, isThisYear ? 'EEE d MMM' : 'EEE d MMM yyyy')} ${sayAs(instant, 'HH:mm')}`;
}

export const sayDay = (instant: string): string => sayAs(instant, 'd MMM yyyy, HH:mm');
export const sayAgo = (instant: string): string => formatDistanceToNowStrict(new Date(instant), { addSuffix: true });
/** A figure with so many digits after the point. */
export const sayFigure = (value: number, digits = 1): string => formatFigure(value, writing.locale, digits, digits);
/** A figure as it was read or reckoned: as many digits after the point as it has, two at most. */
/** A measure as it was given: none of its figures is rounded off. Example: 2.452. */
export const sayFull = (value: number): string => formatFigure(value, writing.locale, 6);

export const sayValue = (value: number): string => formatFigure(value, writing.locale, 2);
export const sayHours = (hours: number): string => `${sayFigure(hours)} h`;
export const sayMoney = (cents: number): string => formatMoney(cents, writing);
export const sayFuel = (eighths: number): string => (eighths === 0 ? 'empty' : eighths === 8 ? 'full' : `${eighths}/8`);
export const sayMinutes = (minutes: number): string =>
  minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;

/** A wall-clock time of the yard, as typed ("2030-03-05 09:00"), as an instant; null where there is none such. */
export function instantOf(typed: string): string | null {
  const [, ...parts] = /^(\d{4})-(\d\d)-(\d\d)[ T](\d\d):(\d\d)$/.exec(typed.trim()) ?? [];
  if (parts.length === 0) return null;
  const [year = 0, month = 0, day = 0, hour = 0, minute = 0] = parts.map(Number);
  const at = new TZDate(year, month - 1, day, hour, minute, 0, writing.timeZone);
  // 31 February is no day, and 25:00 no hour: what is not written the same again was none.
  return format(at, 'yyyy-MM-dd HH:mm') === typed.trim().replace('T', ' ')
    ? new Date(at.getTime()).toISOString()
    : null;
}
