import type { WorkingHours } from '@hudrik/core/contracts';

type Stretch = WorkingHours['people'][number]['hours'][number];

/** Weekdays from 1, Monday. */
export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** A weekday's stretches as people write them. Example: 07:30-12:00, 12:30-16:30. */
export const textOf = (hours: readonly Stretch[], weekday: number): string =>
  hours
    .filter((stretch) => stretch.weekday === weekday)
    .map(({ from, to }) => `${from}-${to}`)
    .join(', ');

/** What was written of a weekday; null where it cannot be read. Example: "7:30-12, 12:30-16:30". */
export function stretchesOf(text: string, weekday: number): Stretch[] | null {
  if (text.trim() === '') return [];
  const parts = text
    .split(/[,;]/)
    .map((part) => /^\s*(\d{1,2})(?:[:.](\d\d))?\s*[-–]\s*(\d{1,2})(?:[:.](\d\d))?\s*$/.exec(part));
  const stretches = parts.map((part): Stretch | null => {
    if (part === null) return null;
    const [, hourFrom = '', minuteFrom = '00', hourTo = '', minuteTo = '00'] = part;
    const [from, to] = [`${hourFrom.padStart(2, '0')}:${minuteFrom}`, `${hourTo.padStart(2, '0')}:${minuteTo}`];
    const isTime = (time: string): boolean => /^([01]\d|2[0-3]):[0-5]\d$/.test(time);
    return isTime(from) && isTime(to) && from < to ? { weekday, from, to } : null;
  });
  const good = stretches.filter((stretch) => stretch !== null);
  const overlaps = good.some(({ from }, at) => at > 0 && from < (good[at - 1]?.to ?? ''));
  return good.length === stretches.length && !overlaps ? good : null;
}
