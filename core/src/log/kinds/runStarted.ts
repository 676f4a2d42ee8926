import { WORKS_ON_UNITS } from '../../fields';
import { dryFirst, nothingOff } from '../refusals';
import { nothing } from '../schemas';
import { logKind, telling } from '../shape';

/** It runs. */
export const runStarted = logKind({
  kind: 'run-started',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: nothing,
  card: { ofProof: true, refusal: (asked) => nothingOff(asked) ?? dryFirst(asked) },
  sentence: () => telling('Run started'),
});
