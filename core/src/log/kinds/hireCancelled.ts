import { object, string } from '../../fields';
import { logKind, telling } from '../shape';

/** A booked hire is off. */
export const hireCancelled = logKind({
  kind: 'hire-cancelled',
  on: 'unit',
  who: [],
  facts: object({ reference: string().required() }),
  sentence: ({ reference }) => telling(`Hire ${reference} cancelled`),
});
