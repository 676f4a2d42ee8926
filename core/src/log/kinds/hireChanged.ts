import { instant, object, string } from '../../fields';
import { logKind, telling } from '../shape';

/** A booked hire of this unit goes with another one, or at another time. */
export const hireChanged = logKind({
  kind: 'hire-changed',
  on: 'unit',
  who: [],
  facts: object({
    reference: string().required(),
    /** The unit that it goes with now; null: any of its class. */
    tag: string().nullable().defined(),
    fromAt: instant.required(),
    toAt: instant.required(),
  }),
  sentence: ({ reference, tag }) =>
    telling(`Hire ${reference} changed`, tag === null ? 'Any of its class' : `Goes with ${tag}`),
});
