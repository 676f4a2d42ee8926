import { WORKS_ON_UNITS, boolean, object } from '../../fields';
import { logKind, telling } from '../shape';

/** Whether the exhaust is clear. */
export const smoke = logKind({
  kind: 'smoke',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ clear: boolean().required() }),
  card: { ofProof: true },
  sentence: ({ clear }) => telling(clear ? 'Exhaust clear' : 'It smokes'),
});
