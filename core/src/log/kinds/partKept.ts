import { WORKS_ON_UNITS, object, name, trimmed } from '../../fields';
import { logKind, telling } from '../shape';
import { partNumber } from '../schemas';

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
