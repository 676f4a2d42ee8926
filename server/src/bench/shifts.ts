import { TZDate } from '@date-fns/tz';
import { SIGNS_OFF, type Role, type WeekStretch } from '@hudrik/core/contracts';
import type { Stretch } from '@hudrik/core/planning';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { getISODay } from 'date-fns/getISODay';
import { sql } from 'kysely';
import type { Db } from '../database/tables';
import { readSettings } from '../people/settings';

/** So far ahead a plan knows who works. */
const SHIFT_DAYS = 28;
const MINUTE_MS = 60_000;

/** What a technician works of whom nobody has said otherwise, nor when the yard is open (common practice). */
export const USUAL_HOURS: readonly WeekStretch[] = [1, 2, 3, 4, 5].flatMap((weekday) => [
  { weekday, from: '07:30', to: '12:00' },
  { weekday, from: '12:30', to: '16:30' },
]);

export interface Hand {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  readonly skills: readonly string[];
  /** Minutes from the plan's beginning. */
  readonly shifts: readonly Stretch[];
}

/** Days off, as the calendar has them, both included. */
const readAbsences = (db: Db) =>
  db
    .selectFrom('absence')
    .select(['id', 'person_id as personId', 'why'])
    .select([sql<string>`from_on::text`.as('fromOn'), sql<string>`to_on::text`.as('toOn')])
    .orderBy('from_on')
    .execute();

type DaysOff = Pick<Awaited<ReturnType<typeof readAbsences>>[number], 'fromOn' | 'toOn'>;

/** Somebody who may sign off work, with their week and their days off. */
interface AtBench {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  readonly skills: readonly string[];
  readonly week: readonly WeekStretch[];
  /** Nobody said when they work. */
  readonly isUsual: boolean;
  readonly absences: Awaited<ReturnType<typeof readAbsences>>;
}

/** Who may sign off work, and when each works as a rule: as somebody said, else a technician when the yard is open. */
export async function readAtBench(db: Db): Promise<AtBench[]> {
  const people = await db
    .selectFrom('person')
    .select(['id', 'name', 'role', 'hours_set', 'skills'])
    .where('role', 'in', SIGNS_OFF)
    .where('left_at', 'is', null)
    .orderBy('id')
    .execute();
  const hours = await readHours(db);
  const absences = await readAbsences(db);
  const open = (await readSettings(db)).openHours ?? USUAL_HOURS;
  return people.map(({ id, name, role, skills, hours_set: isSet }) => ({
    ...{ id, name, role, skills, isUsual: !isSet },
    week: hours.get(id) ?? (role === 'technician' && !isSet ? open : []),
    absences: absences.filter(({ personId }) => personId === id),
  }));
}

/** Who works at the bench, with when in the next weeks: in the yard's time, also where its clock is put on or back. */
export async function readHands(db: Db, at: Date, timeZone: string): Promise<Hand[]> {
  const people = await readAtBench(db);
  return people
    .filter(({ week }) => week.length > 0)
    .map(({ id, name, role, skills, week, absences }) => ({
      id,
      name,
      role,
      skills,
      shifts: shiftsOf(week, absences, at, timeZone),
    }));
}

/** By person: what was entered of each; nothing of whom nobody entered. */
async function readHours(db: Db): Promise<Map<number, WeekStretch[]>> {
  const rows = await db
    .selectFrom('working_hours')
    .selectAll()
    .orderBy('person_id')
    .orderBy('weekday')
    .orderBy('from_time')
    .execute();
  const hours = new Map<number, WeekStretch[]>();
  for (const row of rows) {
    const stretch = { weekday: row.weekday, from: row.from_time.slice(0, 5), to: row.to_time.slice(0, 5) };
    hours.set(row.person_id, [...(hours.get(row.person_id) ?? []), stretch]);
  }
  return hours;
}

/** Somebody's shifts from a moment on, in minutes from it. What has begun counts from the moment. */
export function shiftsOf(
  week: readonly WeekStretch[],
  away: readonly DaysOff[],
  at: Date,
  timeZone: string,
): Stretch[] {
  const today = new TZDate(at.getTime(), timeZone);
  const minute = (day: TZDate, time: string): number => {
    const [hour = 0, past = 0] = time.split(':').map(Number);
    const moment = new TZDate(day.getFullYear(), day.getMonth(), day.getDate(), hour, past, timeZone);
    return Math.round((moment.getTime() - at.getTime()) / MINUTE_MS);
  };
  return Array.from({ length: SHIFT_DAYS }, (_, ahead) => addDays(today, ahead)).flatMap((day) => {
    const on = format(day, 'yyyy-MM-dd');
    if (away.some(({ fromOn, toOn }) => fromOn <= on && on <= toOn)) return [];
    return week
      .filter(({ weekday }) => weekday === getISODay(day))
      .map(({ from, to }): Stretch => [Math.max(minute(day, from), 0), minute(day, to)])
      .filter(([from, to]) => to > from);
  });
}
