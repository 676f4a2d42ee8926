import { FUEL_BLENDS, KEPT, STORED } from '../../catalogue/shapes';
import {
  HANDS_OUT,
  WORKS_ON_UNITS,
  array,
  boolean,
  id,
  instant,
  number,
  object,
  string,
  text,
  reasonText,
} from '../../fields';
import { type Verdict } from '../../verdict';
import { answer, fuelEighths, hoursEntry, key, kitCount, MOST_LISTED } from '../schemas';
import { logKind, telling, type Wording } from '../shape';
import type { LateBecause, Turn } from '../timing';

const facts = object({
  startedAt: instant.required(),
  /** The newest check-in of this unit that the person knew of, or null. */
  basedOn: id.nullable().defined(),
  /** Set when somebody else checked it in meanwhile and this is kept beside it. */
  secondLookOf: id.nullable().default(null),
  hours: hoursEntry.required(),
  fuelEighths: fuelEighths.required(),
  fuelTap: string().oneOf(['was-shut', 'shut-now', 'none']).required(),
  ended: string().oneOf(['well', 'ended-badly', 'ended-dead', 'not-told']).required(),
  missing: array(kitCount.required()).max(MOST_LISTED).default([]),
  complaintIds: array(key.required()).max(MOST_LISTED).default([]),
  remarks: text.default(''),
  /** Whether it started; older ones do not say. What must run is not possible where it does not. */
  starts: string().oneOf(['starts', 'will-not-start', 'not-tried']).optional(),
  /** How it was put away and stood, where somebody knows. */
  past: object({
    stored: string().oneOf(STORED).optional(),
    kept: string().oneOf(KEPT).optional(),
    daysStood: number().integer().min(0).max(10_000).optional(),
    fuelBlend: string().oneOf(FUEL_BLENDS).optional(),
  })
    .optional()
    .default(undefined),
  /** What a check found before and is in order now: how that came, where somebody says so. */
  settled: array(
    object({
      defectId: id.required(),
      how: string().oneOf(['put-right', 'was-all-right']).required(),
      why: reasonText.required(),
    }).required(),
  )
    .max(100)
    .optional(),
  /** What was not found, or is lived with: whether it showed again. */
  again: array(object({ defectId: id.required(), showed: boolean().required() }).required())
    .max(50)
    .optional(),
  /** What was told of it and is dangerous: what the look at it showed. Each is to be answered. */
  dangers: array(
    object({
      defectId: id.required(),
      showed: string().oneOf(['yes', 'no', 'not-tried']).required(),
      why: text.default(''),
    }).required(),
  )
    .max(50)
    .optional(),
  answers: array(answer.required()).max(MOST_LISTED).required(),
  stations: array(object({ id: key.required(), seconds: number().min(0).max(86_400).required() }).required())
    .max(MOST_LISTED)
    .required(),
});

/** A part of a check-in that did not fit, and why: kept with it, and told. */
export type Aside =
  | { readonly part: 'hours'; readonly code: string }
  | { readonly part: 'settlement'; readonly code: string; readonly defectId: string; readonly sentence: string }
  | { readonly part: 'again'; readonly defectId: string }
  | { readonly part: 'photo'; readonly photoId: string }
  | { readonly part: 'danger'; readonly defectId: string; readonly sentence: string };

/** What a check-in came to: the reading as it was taken, and the verdict of the edition of that day. */
export interface CheckedIn {
  /** Null: the hours as they were typed are set aside. */
  readonly readingId: string | null;
  readonly reading: number;
  readonly trueHours: number;
  readonly hoursRun: number;
  /** The hire that it ended. */
  readonly reference: string | null;
  readonly verdict: Verdict;
  readonly jobIds: readonly string[];
  readonly readiness: string;
  /** Stations passed faster than they can be looked at. */
  readonly hurried: readonly string[];
  /** The same by their ids; older ones have none. */
  readonly hurriedStations?: readonly string[];
  /** Why it does not stand as the return of its unit: it is a look of its own time, and closed nothing. */
  readonly late?: LateBecause;
  /** The check-in of the same return that was first: this one is kept beside it. */
  readonly secondLookOf?: string;
  /** Parts of it that do not fit: kept, and not taken. */
  readonly aside?: readonly Aside[];
  /** Readings of its checks, by the words of the check. */
  readonly readings: readonly { readonly name: string; readonly value: number; readonly unit: string }[];
}

/** Whether a check-in was taken: on its way, nothing has come of it yet. */
export const isCheckedIn = (came: Partial<CheckedIn>): came is CheckedIn => came.verdict !== undefined;

const TURNED: Readonly<Record<Turn['kind'], string>> = {
  'handed-out': 'handed out',
  'left-anyway': 'gone without being handed out',
  'laid-up': 'laid up',
  woken: 'woken',
  gone: 'sold or scrapped',
  'came-back': 'back on the yard’s list',
  moved: 'moved',
};

/** Why a check-in closed nothing. */
export function sayLate(late: LateBecause, { time }: Pick<Wording, 'time'>): string {
  if (late.code === 'turned')
    return `It was ${TURNED[late.by]} ${time(late.at)}, after this was begun: it ends and clears nothing.`;
  return late.code === 'too-old'
    ? 'It is more than three days old: it ends and clears nothing.'
    : 'When it was made is not known: it ends and clears nothing.';
}

const HOURS_ASIDE = 'The hours as typed do not fit and are set aside: read the meter again.';

/** A part of a check-in that was set aside, in words. */
export function sayAside(aside: Aside): string {
  if (aside.part === 'hours') return HOURS_ASIDE;
  if (aside.part === 'settlement') return `Stays open: ${aside.sentence}`;
  if (aside.part === 'danger') return `Told, and not answered: ${aside.sentence}`;
  return aside.part === 'photo'
    ? 'A photo of it is not there any more.'
    : 'Something asked about is not there any more.';
}

/** The return inspection of a unit. */
export const checkIn = logKind({
  kind: 'check-in',
  on: 'unit',
  who: WORKS_ON_UNITS,
  facts,
  sentence: (sent, came: Partial<CheckedIn>, wording) =>
    telling(
      `${came.late ? 'Looked at' : 'Checked in'}${came.verdict ? `: ${wording.readiness(came.verdict.result)}` : ''}${(came.secondLookOf ?? sent.secondLookOf) ? ' (second look)' : ''}`,
      came.late && sayLate(came.late, wording),
      `${came.trueHours === undefined ? `${sent.hours.typed} h on the meter` : wording.hours(came.trueHours)}${came.hoursRun ? `, ${wording.hours(came.hoursRun)} on this hire` : ''}; fuel ${wording.fuel(sent.fuelEighths)}.`,
      sent.hours.meterEvent &&
        (sent.hours.meterEvent.kind === 'replaced' ? 'The hour meter was replaced.' : 'The hour meter rolled over.'),
      ...(came.verdict?.reasons ?? []).map((reason) => reason.sentence),
      ...(came.readings ?? []).map((reading) => `${reading.name}: ${reading.value} ${reading.unit}`),
      ...(came.aside ?? []).map(sayAside),
      (came.hurried ?? []).length > 0 && `Passed faster than it can be looked at: ${came.hurried?.join(', ')}.`,
      sent.remarks !== '' && `“${sent.remarks}”`,
    ),
});

/** What a check-out came to. */
export interface CheckedOut {
  readonly readingId: string;
  /** What was found after it left, before this arrived. */
  readonly foundSince?: readonly string[];
  readonly reading: number;
  readonly trueHours: number;
  readonly reference: string;
  readonly dueAt: string;
  readonly waived: boolean;
}

/** A unit is handed out to a hirer. */
/** Whether a check-out was taken: on its way, nothing has come of it yet. */
export const isCheckedOut = (came: Partial<CheckedOut>): came is CheckedOut => came.readingId !== undefined;

export const checkOut = logKind({
  kind: 'check-out',
  on: 'unit',
  who: HANDS_OUT,
  facts: object({
    hire: string().max(40).nullable().default(null),
    /** For a hire that nobody booked: when it is due back. */
    dueAt: instant.nullable().default(null),
    hours: hoursEntry.required(),
    fuelEighths: fuelEighths.required(),
    kit: array(kitCount.required()).max(MOST_LISTED).required(),
    looks: array(key.required()).max(MOST_LISTED).default([]),
    waiverReason: text.default(''),
  }),
  sentence: (sent, came: Partial<CheckedOut>, wording) =>
    telling(
      `Handed out${came.reference === undefined ? '' : ` on ${came.reference}`}`,
      `${came.trueHours === undefined ? `${sent.hours.typed} h on the meter` : wording.hours(came.trueHours)}; fuel ${wording.fuel(sent.fuelEighths)}${came.dueAt === undefined ? '' : `; due ${wording.time(came.dueAt)}`}.`,
      came.waived && `Prep waived: ${sent.waiverReason}`,
    ),
});
