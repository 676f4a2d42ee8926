import ICAL from 'ical.js';
import type { Reading } from '../outside/reading';
import { readEvent, type DeskHire, type Entry, type EventProblem } from './readEvent';

export type { DeskHire } from './readEvent';

/** What cannot be read of one entry: the rest is taken all the same. */
interface DeskProblem {
  /** Where the entry begins in the text. */
  readonly line: number;
  /** Null: it cannot be said which it is. */
  readonly uid: string | null;
  readonly problem: EventProblem;
}

export type CalendarText =
  | { readonly ok: true; readonly hires: readonly DeskHire[]; readonly problems: readonly DeskProblem[] }
  | { readonly ok: false; readonly problem: 'cut-short' | 'nonsense' | 'too-many' };

/** More entries than any yard has hires. */
const MOST_ENTRIES = 20_000;

/**
 * The hires of an iCalendar text (RFC 5545): CATEGORIES names the class, RESOURCES the unit where one is promised, SUMMARY who hires. Each entry
 * is read by itself, so that one that is broken spoils no other. A text that is no calendar, or whose end is missing, is refused whole: a half
 * list is a false one. Of a UID that comes twice the later one counts. Times without a zone, and days, are the yard's.
 */
export function readCalendarText(text: string, reading: Reading): CalendarText {
  const found = entriesOf(text.split(/\r\n|\n|\r/));
  if (!found.isBegun) return { ok: false, problem: 'nonsense' };
  if (!found.isEnded) return { ok: false, problem: 'cut-short' };
  if (found.events.length > MOST_ENTRIES) return { ok: false, problem: 'too-many' };
  const zones = new Map(found.zones.flatMap(zoneOf));
  const read = found.events.map((entry) => ({ line: entry.line, ...readEvent(entry, zones, reading) }));
  const byUid = new Map(read.map((one) => [one.uid ?? `line ${one.line}`, one]));
  return {
    ok: true,
    hires: [...byUid.values()].flatMap((one) => ('hire' in one ? [{ ...one.hire, line: one.line }] : [])),
    problems: [...byUid.values()].flatMap((one) =>
      'problem' in one ? [{ line: one.line, uid: one.uid, problem: one.problem }] : [],
    ),
  };
}

const isLine = (line: string, wanted: string): boolean => line.trimEnd().toUpperCase() === wanted;

function entriesOf(lines: readonly string[]): {
  readonly isBegun: boolean;
  readonly isEnded: boolean;
  readonly events: Entry[];
  readonly zones: Entry[];
} {
  const begins = lines.findIndex((line) => isLine(line, 'BEGIN:VCALENDAR'));
  const ends = lines.findLastIndex((line) => isLine(line, 'END:VCALENDAR'));
  return {
    isBegun: begins >= 0,
    isEnded: ends > begins,
    events: blocksOf(lines, 'VEVENT'),
    zones: blocksOf(lines, 'VTIMEZONE'),
  };
}

function blocksOf(lines: readonly string[], kind: 'VEVENT' | 'VTIMEZONE'): Entry[] {
  const [begin, end] = [`BEGIN:${kind}`, `END:${kind}`];
  const found: Entry[] = [];
  let from: number | null = null;
  const close = (at: number, isCut: boolean): void => {
    if (from !== null) found.push({ line: from + 1, text: lines.slice(from, at).join('\r\n'), isCut });
    from = null;
  };
  for (const [at, line] of lines.entries()) {
    if (isLine(line, begin)) {
      close(at, true);
      from = at;
    } else if (isLine(line, end)) close(at + 1, false);
    else if (isLine(line, 'END:VCALENDAR')) close(at, true);
  }
  return found;
}

/** A zone that the calendar defines; one that cannot be read is none. */
function zoneOf({ text, isCut }: Entry): (readonly [string, ICAL.Timezone])[] {
  try {
    const component = new ICAL.Component(ICAL.parse(text) as never);
    const name = component.getFirstPropertyValue('tzid');
    return isCut || typeof name !== 'string' ? [] : [[name, new ICAL.Timezone({ component, tzid: name })]];
  } catch {
    return [];
  }
}
