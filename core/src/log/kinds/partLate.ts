import { nothing } from '../schemas';
import { logKind, telling } from '../shape';
import { partName, type PartNamed } from '../observed';

/** The supplier is late with a part. */
export const partLate = logKind({
  kind: 'part-late',
  on: 'part-line',
  who: [],
  facts: nothing,
  sentence: (_, part: PartNamed) => telling(`Part late: ${partName(part)}`),
});
