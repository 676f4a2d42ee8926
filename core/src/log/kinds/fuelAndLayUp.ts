import { FUELS, FUEL_IDS, type FuelId, LAY_UP_METHODS, LAY_UP_METHOD_IDS, type LayUpMethodId } from '../../catalogue';
import {
  ANYONE_SIGNED_IN,
  SIGNS_OFF,
  WORKS_ON_UNITS,
  boolean,
  id,
  instant,
  number,
  object,
  string,
  text,
} from '../../fields';
import { fuelEighths } from '../schemas';
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

/** Somebody looked into the tank: so much is in it, whatever was written down. What differs was burnt, or came from nobody knows where. */
export const fuelSeen = logKind({
  kind: 'fuel-seen',
  on: 'unit',
  who: ANYONE_SIGNED_IN,
  facts: object({
    fuelEighths: fuelEighths.required(),
    /** When that was, where it is entered later. */
    seenAt: instant.optional(),
  }),
  sentence: (sent, _outcome: object, wording) => telling('Looked into the tank', wording.fuel(sent.fuelEighths)),
});

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

/** A unit is laid up, by a method; what the method does to its fuel is so from then on. */
export const laidUp = logKind({
  kind: 'laid-up',
  on: 'unit',
  who: SIGNS_OFF,
  facts: object({
    method: string<LayUpMethodId>().oneOf(LAY_UP_METHOD_IDS).required(),
    /** What was in its tank: into which can it went; null: for disposal. Left out: nobody said. */
    drainedInto: id.nullable().optional(),
    /** It was good and stayed in; what the method leaves was poured on top. */
    staysIn: boolean().optional(),
    /** The can that what is left in came out of; null: none of the yard's. Left out: nobody said. */
    pouredFrom: id.nullable().optional(),
    note: text.default(''),
  }),
  sentence: ({ method, note }, { drained, into, poured, outOf }: LaidUp) =>
    telling(
      'Laid up',
      LAY_UP_METHODS[method].name,
      drained ? `${drained} l drained ${into ? `into ${into}` : 'for disposal'}.` : '',
      poured ? `${poured} l poured in${outOf ? ` out of ${outOf}` : ''}.` : '',
      note,
    ),
});

/** What was done with the fuel of a unit that was laid up, litres; of old entries nothing is said. */
interface LaidUp {
  readonly drained?: number;
  readonly into?: string;
  readonly poured?: number;
  readonly outOf?: string;
  readonly fuel?: FuelId;
  readonly boughtAt?: string;
}

interface Woke {
  readonly method?: LayUpMethodId;
  readonly days?: number;
}

/** A laid-up unit is woken: how it started, and whether it wanted a fuel repair. */
export const woken = logKind({
  kind: 'woken',
  on: 'unit',
  who: SIGNS_OFF,
  facts: object({
    /** At the nth pull or turn of the key; null: it did not. */
    pulls: number().integer().min(1).max(99).nullable().defined(),
    wantsFuelRepair: boolean().required(),
    needed: text.default(''),
  }),
  sentence: ({ pulls, wantsFuelRepair, needed }, { method, days }: Woke) =>
    telling(
      pulls === null ? 'Woken: it did not start' : `Woken: started at pull ${pulls}`,
      [method && LAY_UP_METHODS[method].name, days !== undefined && `${Math.round(days)} days`]
        .filter(Boolean)
        .join(', '),
      wantsFuelRepair ? 'It wants a fuel repair.' : '',
      needed,
    ),
});
