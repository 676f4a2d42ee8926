import { WORKS_ON_UNITS, id, name, number, object, string, trimmed } from '../../fields';
import { PART_LINE_ACTIONS } from '../../states';
import { type PartNamed, partName } from '../observed';
import { nothing, partNumber } from '../schemas';
import { logKind, telling } from '../shape';

/** A part for this job, by any number that it ever had, or by its name while nobody knows a number. */
export const partAsked = logKind({
  kind: 'part-asked',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({
    lineId: id.required(),
    /** Nobody knows it yet: then what it is called. */
    number: partNumber.optional(),
    name: name.optional(),
    count: number().integer().min(1).max(500).required(),
  }).test(
    'named',
    'A part is asked for by its number or by its name.',
    ({ number, name }) => number !== undefined || name !== undefined,
  ),
  sentence: (_, part: PartNamed & { readonly state?: string }) =>
    telling(`Part ${part.state ?? 'asked for'}: ${partName(part)}`),
});

/** The number of a part that was needed without one, with what was paid for it where it was bought. */
export const partNumbered = logKind({
  kind: 'part-numbered',
  on: 'part-line',
  who: WORKS_ON_UNITS,
  facts: object({
    number: partNumber.required(),
    paidCents: number().integer().min(0).max(10_000_000).nullable().defined(),
  }),
  sentence: (_, part: PartNamed) => telling(`Part number found: ${partName(part)}`),
});

const ACTION_NAMES = {
  use: 'Part used',
  return: 'Part given back',
  drop: 'Part not needed',
  reserve: 'Part reserved',
} as const;

/** What became of a part that was asked for. */
export const partLineChanged = logKind({
  kind: 'part-line-changed',
  on: 'part-line',
  who: WORKS_ON_UNITS,
  facts: object({ action: string().oneOf(PART_LINE_ACTIONS).required() }),
  sentence: ({ action }, part: PartNamed) => telling(`${ACTION_NAMES[action]}: ${partName(part)}`),
});

/** A part is on order. */
export const partOrdered = logKind({
  kind: 'part-ordered',
  on: 'part-line',
  who: [],
  facts: nothing,
  sentence: (_, part: PartNamed) => telling(`Part ordered: ${partName(part)}`),
});

/** The supplier is late with a part. */
export const partLate = logKind({
  kind: 'part-late',
  on: 'part-line',
  who: [],
  facts: nothing,
  sentence: (_, part: PartNamed) => telling(`Part late: ${partName(part)}`),
});

/** A part that was on order is there. */
export const partArrived = logKind({
  kind: 'part-arrived',
  on: 'part-line',
  who: [],
  facts: nothing,
  sentence: (_, part: PartNamed) => telling(`Part arrived: ${partName(part)}`),
});

/** A part that was taken off, kept to be cleaned and proved. The id of the entry is the part's. */
export const partKept = logKind({
  kind: 'part-kept',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({
    name: name.required(),
    number: partNumber.nullable().defined(),
    place: trimmed.max(40).defined(),
  }),
  sentence: (facts) => telling(`Kept as an exchange part: ${facts.name}`),
});
