import { DAY } from './unitWriter';

/** The last moment at or before this in which the yard was open: from eight to five. */
export function whenOpen(at: number): number {
  const moment = new Date(at);
  if (moment.getHours() >= 8 && moment.getHours() < 17) return at;
  if (moment.getHours() < 8) moment.setDate(moment.getDate() - 1);
  return moment.setHours(16, 30, 0, 0);
}

/** Hires fall due at five in the afternoon; one that is overdue was due on a day before today's. */
export function dueAt(now: number, inDays: number): number {
  const day = new Date(now + inDays * DAY);
  day.setHours(17, 0, 0, 0);
  return inDays < 0 && day.getTime() > now ? day.getTime() - DAY : day.getTime();
}
