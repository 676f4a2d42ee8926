import { WORKS_ON_UNITS, object, text } from '../../fields';
import { logKind, telling } from '../shape';

/** The work goes on. The server writes it too, when the last part has come. */
export const resumed = logKind({
  kind: 'resumed',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ why: text.defined() }),
  card: { visitState: () => 'open' },
  sentence: (facts) => telling('Work resumed', facts.why),
});
