import { WORKS_ON_UNITS, number, object, id, name } from '../../fields';
import { logKind, telling } from '../shape';
import { partName, type PartNamed } from '../observed';
import { partNumber } from '../schemas';

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
