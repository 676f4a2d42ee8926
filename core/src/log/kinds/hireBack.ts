import { HANDS_OUT, object, trimmed } from '../../fields';
import { logKind, telling } from '../shape';

/** It is back on the yard, and nobody has looked at it. */
export const hireBack = logKind({
  kind: 'hire-back',
  on: 'unit',
  who: HANDS_OUT,
  facts: object({ reference: trimmed.min(1).max(40).required() }),
  sentence: ({ reference }) => telling(`Back on the yard from ${reference}`),
});
