import { COMPLAINTS } from '../../catalogue';
import { array, HANDS_OUT, id, instant, LEAD_ONLY, object, reasonText, string, tag, text, trimmed } from '../../fields';
import { atGate, sayAtGate } from '../atGate';
import { key } from '../schemas';
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

/** Somebody tells what is wrong with a unit, on the telephone or in passing: of one that is out, with its hire. */
export const troubleTold = logKind({
  kind: 'trouble-told',
  on: 'unit',
  who: HANDS_OUT,
  facts: object({
    reference: trimmed.min(1).max(40).nullable().defined(),
    complaintIds: array(key.required()).min(1).max(12).required(),
    note: text.defined(),
  }),
  sentence: ({ reference, complaintIds, note }, { movedFrom }: Told) =>
    telling(
      movedFrom !== undefined
        ? `Told of ${movedFrom}, and meant this one`
        : reference === null
          ? 'Told'
          : `The hirer of ${reference} rang`,
      complaintIds.map((id) => COMPLAINTS.find((complaint) => complaint.id === id)?.sentence ?? id).join(' '),
      note,
    ),
});

interface Told {
  /** The unit of which it was told first, by mistake. */
  readonly movedFrom?: string;
}

interface Moved {
  readonly complaintIds?: readonly string[];
}

/** What was told was told of the wrong tag: whoever told it says which it is. Both units show it. */
export const toldMoved = logKind({
  kind: 'told-moved',
  on: 'unit',
  who: HANDS_OUT,
  facts: object({ entryId: id.required(), toTag: tag.required() }),
  closes: true,
  sentence: ({ toTag }, { complaintIds = [] }: Moved) =>
    telling(
      `Told of the wrong unit: it is ${toTag}`,
      complaintIds.map((one) => COMPLAINTS.find((complaint) => complaint.id === one)?.sentence ?? one).join(' '),
    ),
});

interface Left {
  readonly reference?: string;
  /** What was known against it. */
  readonly because?: readonly string[];
}

/** It has left without being handed out here: a lead says so, and why. The counter is warned until it is back. */
export const leftAnyway = logKind({
  kind: 'left-anyway',
  on: 'unit',
  who: LEAD_ONLY,
  facts: object({
    hire: string().max(40).nullable().default(null),
    dueAt: instant.nullable().default(null),
    why: reasonText.required(),
  }),
  sentence: (facts, { reference, because = [] }: Left, { time }) =>
    telling(
      `Left without being handed out${reference === undefined ? '' : ` on ${reference}`}`,
      facts.why,
      facts.dueAt && `Due ${time(facts.dueAt)}`,
      ...because,
    ),
});
