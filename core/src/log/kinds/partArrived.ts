import { nothing } from '../schemas';
import { logKind, telling } from '../shape';
import { partName, type PartNamed } from '../observed';

/** A part that was on order is there. */
export const partArrived = logKind({
  kind: 'part-arrived',
  on: 'part-line',
  who: [],
  facts: nothing,
  sentence: (_, part: PartNamed) => telling(`Part arrived: ${partName(part)}`),
});
