import { COMPLAINTS } from '../../catalogue';
import { HANDS_OUT, array, instant, object, string, text, trimmed } from '../../fields';
import { atGate, sayAtGate } from '../atGate';
import { logKind, telling } from '../shape';

/** The unit is promised to a hirer. */
export const hireBooked = logKind({
  kind: 'hire-booked',
  on: 'unit',
  who: [],
  facts: object({ reference: string().required(), fromAt: instant.required(), toAt: instant.required() }),
  sentence: ({ reference, fromAt, toAt }, _, { time }) =>
    telling(`Booked: ${reference}`, `${time(fromAt)} to ${time(toAt)}`),
});

/** A booked hire of this unit goes with another one, or at another time. */
export const hireChanged = logKind({
  kind: 'hire-changed',
  on: 'unit',
  who: [],
  facts: object({
    reference: string().required(),
    /** The unit that it goes with now; null: any of its class. */
    tag: string().nullable().defined(),
    fromAt: instant.required(),
    toAt: instant.required(),
  }),
  sentence: ({ reference, tag }) =>
    telling(`Hire ${reference} changed`, tag === null ? 'Any of its class' : `Goes with ${tag}`),
});

/** A booked hire is off. */
export const hireCancelled = logKind({
  kind: 'hire-cancelled',
  on: 'unit',
  who: [],
  facts: object({ reference: string().required() }),
  sentence: ({ reference }) => telling(`Hire ${reference} cancelled`),
});

/** It is back on the yard, and nobody has looked at it; with what three taps said of it, where it was one of a pile. */
export const hireBack = logKind({
  kind: 'hire-back',
  on: 'unit',
  who: HANDS_OUT,
  facts: object({
    reference: trimmed.min(1).max(40).required(),
    atGate: atGate.optional().default(undefined),
  }),
  sentence: ({ reference, atGate: said }) => {
    const amiss = said ? sayAtGate(said) : [];
    return telling(`Back on the yard from ${reference}`, amiss.length > 0 ? `At the gate: ${amiss.join(', ')}` : '');
  },
});

/** The hirer rings: what is wrong with a unit that is out. */
export const troubleTold = logKind({
  kind: 'trouble-told',
  on: 'unit',
  who: HANDS_OUT,
  facts: object({
    reference: trimmed.min(1).max(40).required(),
    complaintIds: array(string().required()).min(1).max(12).required(),
    note: text.defined(),
  }),
  sentence: ({ reference, complaintIds, note }) =>
    telling(
      `The hirer of ${reference} rang`,
      complaintIds.map((id) => COMPLAINTS.find((complaint) => complaint.id === id)?.sentence ?? id).join(' '),
      note,
    ),
});
