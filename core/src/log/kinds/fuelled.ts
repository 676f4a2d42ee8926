import { FUEL_IDS, FUELS, type FuelId } from '../../catalogue';
import { ANYONE_SIGNED_IN, boolean, id, instant, number, object, string } from '../../fields';
import { logKind, telling } from '../shape';

/** What is poured into a tank: out of a can of the yard's, or something else. */
export const fuelled = logKind({
  kind: 'fuelled',
  on: 'unit',
  who: ANYONE_SIGNED_IN,
  facts: object({
    litres: number().positive().max(200).required(),
    /** The can that it came out of; null: none of the yard's. */
    canId: id.nullable().defined(),
    /** Out of no can: what it is, and when it was bought; null: nobody knows. */
    fuel: string<FuelId>().oneOf(FUEL_IDS).optional(),
    boughtAt: instant.nullable().optional(),
    isTreated: boolean().default(false),
    /** When it was poured in, where that is entered later. */
    pouredAt: instant.optional(),
  }),
  sentence: ({ litres }, { fuel, can, overflow }: Poured) =>
    telling(
      `${litres} l poured in`,
      [fuel && FUELS[fuel].name, can && `out of ${can}`].filter(Boolean).join(', '),
      overflow ? `That is ${overflow} l more than the tank holds by the book.` : '',
    ),
});

interface Poured {
  readonly fuel?: FuelId;
  readonly can?: string;
  readonly boughtAt?: string | null;
  readonly isTreated?: boolean;
  readonly overflow?: number;
}
