import {
  ANYONE_SIGNED_IN,
  array,
  boolean,
  hours,
  id,
  mixed,
  name,
  number,
  object,
  SIGNS_OFF,
  string,
  text,
  trimmed,
  WORKS_ON_UNITS,
  reasonText,
} from '../../fields';
import { LEAST_SEVERITY } from '../../service';
import { NOTE_PLACES, rowId } from '../schemas';
import { logKind, telling } from '../shape';

/** A unit new to the yard. */
export const unitAdded = logKind({
  kind: 'unit-added',
  on: 'unit',
  who: [],
  facts: object({ serial: string().required(), reading: hours.required() }),
  sentence: (_, { trueHours }: { readonly trueHours: number }, wording) =>
    telling('Came to the yard', wording.hours(trueHours)),
});

interface Changed {
  readonly rated?: object | undefined;
  readonly serial?: string | undefined;
  readonly homeBay?: string | undefined;
  readonly severity?: number | undefined;
  readonly laidUp?: boolean | undefined;
  readonly gone?: { readonly why: string; readonly scrapped?: boolean | undefined } | null | undefined;
}

/** Example: Changed: serial S-2, serviced after 50 in 100 of the hours. */
function changeName({ rated, serial, homeBay, severity, laidUp, gone }: Changed): string {
  if (laidUp !== undefined) return laidUp ? 'Laid up' : 'Woken up';
  if (gone) return `${gone.scrapped === true ? 'Scrapped' : 'Gone'}: ${gone.why}`;
  if (gone === null) return 'Back on the yard';
  return `Changed: ${[rated && 'its rated figures', serial && `serial ${serial}`, homeBay && `bay ${homeBay}`, severity && saySeverity(severity)].filter(Boolean).join(', ')}`;
}

const saySeverity = (severity: number): string =>
  severity === 1
    ? 'serviced as its model is'
    : `serviced after ${Math.round(severity * 100)} in 100 of its model’s hours`;

/** What a lead changed by hand. */
export const unitChanged = logKind({
  kind: 'unit-changed',
  on: 'unit',
  who: [],
  facts: object({
    rated: mixed<Readonly<Record<string, number | string | undefined>>>().optional(),
    serial: name.optional(),
    homeBay: name.optional(),
    severity: number().min(LEAST_SEVERITY).max(1).optional(),
    laidUp: boolean().optional(),
    gone: object({ why: reasonText.required(), scrapped: boolean().optional() })
      .nullable()
      .optional()
      .default(undefined),
  }),
  sentence: (facts) => telling(changeName(facts)),
});

/** An hour-meter reading was wrong: a new one in its place. */
export const readingCorrected = logKind({
  kind: 'reading-corrected',
  on: 'unit',
  who: SIGNS_OFF,
  facts: object({
    readingId: rowId.required(),
    reading: hours.required(),
    why: reasonText.required(),
  }),
  sentence: ({ reading, ...facts }, { from }: { readonly from?: number }) =>
    telling(`Reading corrected: ${from ?? '?'} to ${reading}`, facts.why),
});

/** Something worth knowing, on the unit or on a job's card. */
export const note = logKind({
  kind: 'note',
  on: 'unit',
  who: ANYONE_SIGNED_IN,
  facts: object({ text: text.min(1).required(), stepId: id.nullable().optional() }),
  card: {
    change: (card, entry) => ({
      ...card,
      notes: [...card.notes, { ...entry, facts: { text: entry.facts.text, stepId: entry.facts.stepId ?? null } }],
    }),
    // What is said of a parked visit does not take it up again.
    visitState: (state) => (state === 'waiting' ? 'open' : state),
  },
  sentence: (facts) => telling('Note', facts.text),
});

/** Something that whoever comes to this unit must know, until it is taken down: "left bolt of the shroud: leave it". */
export const standingNote = logKind({
  kind: 'standing-note',
  on: 'unit',
  who: WORKS_ON_UNITS,
  facts: object({
    text: trimmed.min(2).max(400).required(),
    places: array(string().oneOf(NOTE_PLACES).required()).min(1).max(NOTE_PLACES.length).required(),
  }),
  sentence: ({ text }) => telling('Note that stands', text),
});

/** A note that stood does not hold any more. */
export const standingNoteEnded = logKind({
  kind: 'standing-note-ended',
  on: 'unit',
  who: WORKS_ON_UNITS,
  facts: object({ noteId: id.required() }),
  closes: true,
  sentence: (_, { text }: { readonly text?: string }) => telling('Note taken down', text),
});
