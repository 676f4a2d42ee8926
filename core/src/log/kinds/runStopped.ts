import { WORKS_ON_UNITS, object, text } from '../../fields';
import { logKind, telling } from '../shape';

/** It stands. */
export const runStopped = logKind({
  kind: 'run-stopped',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ why: text.defined() }),
  card: { ofProof: true },
  sentence: (facts) => telling('Run stopped', facts.why),
});
