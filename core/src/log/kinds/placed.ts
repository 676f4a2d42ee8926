import { SIGNS_OFF, instant, number, object } from '../../fields';
import { logKind, telling } from '../shape';

interface Placed {
  readonly to?: string | null;
}

/** A visit's place in the plan, set by hand: who does it, and when it is begun; neither: the plan decides again. */
export const placed = logKind({
  kind: 'placed',
  on: 'job',
  who: SIGNS_OFF,
  facts: object({
    to: number().integer().nullable().defined(),
    at: instant.nullable().defined(),
    /** Where it was put when somebody took hold of it: put elsewhere since, it is not moved. */
    from: object({ to: number().integer().nullable().defined(), at: instant.nullable().defined() })
      .optional()
      .default(undefined),
  }),
  sentence: ({ to, at }, outcome: Placed) =>
    to === null && at === null
      ? telling('The plan decides who does it, and when')
      : telling(`Planned by hand${outcome.to ? ` for ${outcome.to}` : ''}`),
});
