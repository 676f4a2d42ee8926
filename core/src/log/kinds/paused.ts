import { WORKS_ON_UNITS, object, string, text } from '../../fields';
import { logKind, telling } from '../shape';

/** The work waits for something. */
export const paused = logKind({
  kind: 'paused',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ for: string().oneOf(['clock', 'part', 'decision']).required(), why: text.defined() }),
  card: { visitState: (_, facts) => `waits-${facts.for}` },
  sentence: (facts) => telling(`Paused: waiting for a ${facts.for}`, facts.why),
});
