import { WORKS_ON_UNITS, number, object, id } from '../../fields';
import { logKind, telling } from '../shape';
import { partName, type PartNamed } from '../observed';
import { partNumber } from '../schemas';

/** A part for this job, by any number that it ever had. */
export const partAsked = logKind({
  kind: 'part-asked',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({
    lineId: id.required(),
    number: partNumber.required(),
    count: number().integer().min(1).max(500).required(),
  }),
  sentence: (_, part: PartNamed & { readonly state?: string }) =>
    telling(`Part ${part.state ?? 'asked for'}: ${partName(part)}`),
});
