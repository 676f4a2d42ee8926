import { nothing } from '../schemas';
import { logKind, telling } from '../shape';
import { partName, type PartNamed } from '../observed';

/** A part is on order. */
export const partOrdered = logKind({
  kind: 'part-ordered',
  on: 'part-line',
  who: [],
  facts: nothing,
  sentence: (_, part: PartNamed) => telling(`Part ordered: ${partName(part)}`),
});
