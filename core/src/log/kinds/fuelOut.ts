import { WORKS_ON_UNITS, boolean, id, instant, number, object, string } from '../../fields';
import { logKind, telling } from '../shape';

const BOWL = { wet: 'the bowl is wet', 'run-dry': 'run dry', drained: 'the bowl drained at its screw' } as const;
type Bowl = keyof typeof BOWL;

/** What was done with the fuel of a unit: drained, run dry, treated. */
export const fuelOut = logKind({
  kind: 'fuel-out',
  on: 'unit',
  who: WORKS_ON_UNITS,
  facts: object({
    /** Out of the tank; null: all of it; left out: none. */
    litres: number().positive().max(200).nullable().optional(),
    /** The can that it went into. */
    canId: id.nullable().optional(),
    bowl: string<Bowl>().oneOf(['wet', 'run-dry', 'drained']).optional(),
    isTapShut: boolean().nullable().optional(),
    /** Stabiliser was mixed in. */
    isTreated: boolean().default(false),
    doneAt: instant.optional(),
  }),
  sentence: ({ litres, bowl, isTreated, isTapShut }, { can }: { readonly can?: string }) =>
    telling(
      litres === undefined ? 'Fuel looked after' : litres === null ? 'Tank drained' : `${litres} l drained`,
      [can && `into ${can}`, bowl && BOWL[bowl], isTapShut === true && 'tap shut', isTreated && 'stabiliser mixed in']
        .filter(Boolean)
        .join(', '),
    ),
});
