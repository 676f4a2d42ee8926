import { CLASS_IDS, type ClassId } from '@hudrik/core/catalogue';
import ICAL from 'ical.js';

/** A hire as the desk's calendar has it. */
export interface DeskHire {
  readonly uid: string;
  readonly classId: ClassId;
  /** The unit that it is promised; null: any of the class. */
  readonly tag: string | null;
  readonly fromAt: string;
  readonly toAt: string;
  readonly hirer: string;
  readonly isCancelled: boolean;
}

/** What cannot be read of one entry: the rest is taken all the same. */
interface DeskProblem {
  readonly uid: string;
  readonly problem: 'no-uid' | 'no-class' | 'no-time' | 'ends-before' | 'repeats';
}

export type CalendarText =
  | { readonly ok: true; readonly hires: readonly DeskHire[]; readonly problems: readonly DeskProblem[] }
  | { readonly ok: false; readonly problem: 'cut-short' | 'nonsense' };

/**
 * The hires of an iCalendar text (RFC 5545): CATEGORIES names the class, RESOURCES the unit where one is promised, SUMMARY who hires. A text
 * that is no calendar, or whose end is missing, is refused whole: a half list is a false one. Of a UID that comes twice the later one counts.
 */
export function readCalendarText(text: string): CalendarText {
  if (!/^BEGIN:VCALENDAR\r?$/m.test(text)) return { ok: false, problem: 'nonsense' };
  if (!/^END:VCALENDAR\r?$/m.test(text)) return { ok: false, problem: 'cut-short' };
  let events: ICAL.Component[];
  try {
    events = new ICAL.Component(ICAL.parse(text) as never).getAllSubcomponents('vevent');
  } catch {
    return { ok: false, problem: 'nonsense' };
  }
  const read = [...new Map(events.map((event) => [textOf(event, 'uid'), readEvent(event)])).values()];
  return {
    ok: true,
    hires: read.filter((one): one is DeskHire => 'classId' in one),
    problems: read.filter((one): one is DeskProblem => 'problem' in one),
  };
}

const textOf = (event: ICAL.Component, name: string): string => String(event.getFirstPropertyValue(name) ?? '').trim();

function readEvent(event: ICAL.Component): DeskHire | DeskProblem {
  const uid = textOf(event, 'uid');
  const wanted = textOf(event, 'categories').toLowerCase();
  const classId = CLASS_IDS.find((id) => id === wanted);
  const isCancelled = textOf(event, 'status').toUpperCase() === 'CANCELLED';
  if (uid === '') return { uid: `(${textOf(event, 'summary')})`, problem: 'no-uid' };
  if (classId === undefined) return { uid, problem: 'no-class' };
  if (event.hasProperty('rrule')) return { uid, problem: 'repeats' };
  const [from, to] = [instantOf(event, 'dtstart'), instantOf(event, 'dtend')];
  if (from === null || to === null) return { uid, problem: 'no-time' };
  if (to <= from) return { uid, problem: 'ends-before' };
  const tag = textOf(event, 'resources').toUpperCase();
  return {
    ...{ uid, classId, isCancelled, tag: tag === '' ? null : tag },
    fromAt: from.toISOString(),
    toAt: to.toISOString(),
    hirer: textOf(event, 'summary').slice(0, 80),
  };
}

function instantOf(event: ICAL.Component, name: string): Date | null {
  const value = event.getFirstPropertyValue(name);
  if (!(value instanceof ICAL.Time)) return null;
  const at = value.toJSDate();
  return Number.isNaN(at.getTime()) ? null : at;
}
