import { DEFECT_WEIGHTS } from '../../defects';
import { boolean, object, string, trimmed, WORKS_ON_UNITS } from '../../fields';
import { logKind, telling } from '../shape';

/** Something wrong, seen and written down by hand: whether it can hurt somebody is asked. */
export const defectFound = logKind({
  kind: 'defect-found',
  on: 'unit',
  who: WORKS_ON_UNITS,
  facts: object({
    sentence: trimmed.min(3).max(200).required(),
    weight: string().oneOf(DEFECT_WEIGHTS).required(),
    safety: boolean().required(),
  }),
  sentence: ({ sentence, safety }) => telling(`Found: ${sentence}`, safety && 'It can hurt somebody.'),
});
