import { TZDate } from '@date-fns/tz';
import { CLASS_IDS, type ClassId } from '@hudrik/core/catalogue';
import { addDays } from 'date-fns/addDays';
import { addYears } from 'date-fns/addYears';
import ICAL from 'ical.js';
import { hasOddSigns } from '../outside/textOf';
import type { Reading } from '../outside/reading';

/** A hire as the desk's calendar has it. */
export interface DeskHire {
  readonly line: number;
  readonly uid: string;
  readonly classId: ClassId;
  /** The unit that it is promised; null: any of the class. */
  readonly tag: string | null;
  readonly fromAt: string;
  readonly toAt: string;
  readonly hirer: string;
  readonly isCancelled: boolean;
  /** Its times name no zone: they are the yard's, and go with it. */
  readonly isYardsTime: boolean;
}

export type EventProblem =
  | 'cut-off'
  | 'odd-signs'
  | 'unreadable'
  | 'no-uid'
  | 'no-class'
  | 'no-time'
  | 'unknown-zone'
  | 'absurd-time'
  | 'ends-before'
  | 'repeats';

/** One entry as it stands in the text, and on which line it begins. */
export interface Entry {
  readonly line: number;
  readonly text: string;
  /** Another one began, or the calendar ended, before its end. */
  readonly isCut: boolean;
}

type Zones = ReadonlyMap<string, ICAL.Timezone>;
type Read =
  | { readonly uid: string; readonly hire: Omit<DeskHire, 'line'> }
  | { readonly uid: string | null; readonly problem: EventProblem };

const LONGEST_UID = 255;
const LONGEST_NAME = 80;
/** No hire lies further off, nor lasts longer. */
const YEARS = { past: 20, ahead: 5, long: 2 } as const;

/** What one entry says, or why it cannot be taken. */
export function readEvent({ text, isCut }: Entry, zones: Zones, reading: Reading): Read {
  if (hasOddSigns(text)) return { uid: null, problem: 'odd-signs' };
  if (isCut) return { uid: null, problem: 'cut-off' };
  let event: ICAL.Component;
  try {
    event = new ICAL.Component(ICAL.parse(text) as never);
  } catch {
    return { uid: null, problem: 'unreadable' };
  }
  const uid = wordsOf(event, 'uid');
  if (uid === '' || uid.length > LONGEST_UID) return { uid: null, problem: 'no-uid' };
  try {
    return { uid, ...hireOf(event, uid, zones, reading) };
  } catch (error) {
    return { uid, problem: error instanceof NotATime ? error.problem : 'unreadable' };
  }
}

function hireOf(
  event: ICAL.Component,
  uid: string,
  zones: Zones,
  reading: Reading,
): { readonly hire: Omit<DeskHire, 'line'> } | { readonly problem: EventProblem } {
  const wanted = wordsOf(event, 'categories').toLowerCase();
  const classId = CLASS_IDS.find((id) => id === wanted);
  if (classId === undefined) return { problem: 'no-class' };
  if (event.hasProperty('rrule') || event.hasProperty('rdate')) return { problem: 'repeats' };
  const from = momentOf(event, 'dtstart', zones, reading);
  const to = event.hasProperty('dtend')
    ? momentOf(event, 'dtend', zones, reading)
    : { ...from, at: endOf(event, from, reading) };
  if (to.at <= from.at) return { problem: 'ends-before' };
  if (to.at > addYears(from.at, YEARS.long)) return { problem: 'absurd-time' };
  const tag = wordsOf(event, 'resources').toUpperCase();
  return {
    hire: {
      ...{ uid, classId, tag: tag === '' ? null : tag },
      isCancelled: wordsOf(event, 'status').toUpperCase() === 'CANCELLED',
      fromAt: from.at.toISOString(),
      toAt: to.at.toISOString(),
      hirer: [...wordsOf(event, 'summary')].slice(0, LONGEST_NAME).join(''),
      isYardsTime: from.isYards || to.isYards,
    },
  };
}

const wordsOf = (event: ICAL.Component, name: string): string => String(event.getFirstPropertyValue(name) ?? '').trim();

class NotATime extends Error {
  constructor(readonly problem: 'no-time' | 'unknown-zone' | 'absurd-time') {
    super(problem);
  }
}

interface Moment {
  readonly at: Date;
  readonly isDay: boolean;
  /** Of a day, or of a time that names no zone. */
  readonly isYards: boolean;
}

/** Without an end it lasts as long as it says, or its one day (RFC 5545, 3.6.1). */
function endOf(event: ICAL.Component, from: Moment, { timeZone }: Reading): Date {
  const lasts = event.getFirstPropertyValue('duration');
  if (lasts instanceof ICAL.Duration) return new Date(from.at.getTime() + lasts.toSeconds() * 1000);
  if (!from.isDay) throw new NotATime('no-time');
  return new Date(addDays(new TZDate(from.at.getTime(), timeZone), 1).getTime());
}

function momentOf(event: ICAL.Component, name: string, zones: Zones, { timeZone, at }: Reading): Moment {
  const property = event.getFirstProperty(name);
  const time = property && timeOf(property);
  if (!time) throw new NotATime('no-time');
  const years = time.year - at.getUTCFullYear();
  if (years < -YEARS.past || years > YEARS.ahead) throw new NotATime('absurd-time');
  const named = property.getParameter('tzid');
  const isYards = time.isDate || (time.zone !== ICAL.Timezone.utcTimezone && typeof named !== 'string');
  const moment =
    time.zone === ICAL.Timezone.utcTimezone ? utcOf(time) : inZone(time, isYards ? timeZone : String(named), zones);
  if (Number.isNaN(moment.getTime())) throw new NotATime('unknown-zone');
  return { at: moment, isDay: time.isDate, isYards };
}

const utcOf = ({ year, month, day, hour, minute, second }: ICAL.Time): Date =>
  new Date(Date.UTC(year, month - 1, day, hour, minute, second));

/** Null where it is none; the 31st of February is no day either, though the reader would make one of it. */
function timeOf(property: ICAL.Property): ICAL.Time | null {
  const written = String(property.toJSON()[3]);
  try {
    const time = property.getFirstValue();
    return time instanceof ICAL.Time && time.toString() === written ? time : null;
  } catch {
    return null;
  }
}

/** By the calendar's own definition of the zone, else by the zone's name. An unknown one: not a time. */
function inZone(time: ICAL.Time, zone: string, zones: Zones): Date {
  const { year, month, day, hour, minute, second } = time;
  const defined = zones.get(zone);
  if (defined === undefined) return new Date(new TZDate(year, month - 1, day, hour, minute, second, zone).getTime());
  const there = time.clone();
  there.zone = defined;
  return there.toJSDate();
}
