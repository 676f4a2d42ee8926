import { WORKS_ON_UNITS, number, object } from '../../fields';
import { partName, type PartNamed } from '../observed';
import { partNumber } from '../schemas';
import { logKind, telling } from '../shape';

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
