import type { ClassId } from '@hudrik/core/catalogue';
import type { Chance } from './chance';

/** Some minutes after eight of a day, milliseconds. */
export function morningOf(at: number, chance: Chance): number {
  const day = new Date(at);
  day.setHours(8, chance.whole(0, 90), 0, 0);
  return day.getTime();
}

/** Snowblowers go out in winter and hardly ever else, tillers from April to September, the rest all year. */
export function isInSeason(classId: ClassId, at: number, chance: Chance): boolean {
  const month = new Date(at).getMonth();
  const winter = month >= 10 || month <= 2;
  if (classId === 'snowblower') return winter || chance.next() < 0.03;
  if (classId === 'tiller') return month >= 3 && month <= 8;
  return true;
}
