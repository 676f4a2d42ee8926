import { array, HANDS_OUT, instant, object, string, text } from '../../fields';
import { fuelEighths, hoursEntry, kitCount } from '../schemas';
import { logKind, telling } from '../shape';

/** What a check-out came to. */
export interface CheckedOut {
  readonly readingId: string;
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
    hire: string().nullable().default(null),
    /** For a hire that nobody booked: when it is due back. */
    dueAt: instant.nullable().default(null),
    hours: hoursEntry.required(),
    fuelEighths: fuelEighths.required(),
    kit: array(kitCount.required()).required(),
    looks: array(string().required()).default([]),
    waiverReason: text.default(''),
  }),
  sentence: (sent, came: Partial<CheckedOut>, wording) =>
    telling(
      `Handed out${came.reference === undefined ? '' : ` on ${came.reference}`}`,
      `${came.trueHours === undefined ? `${sent.hours.typed} h on the meter` : wording.hours(came.trueHours)}; fuel ${wording.fuel(sent.fuelEighths)}${came.dueAt === undefined ? '' : `; due ${wording.time(came.dueAt)}`}.`,
      came.waived && `Prep waived: ${sent.waiverReason}`,
    ),
});
