import { keysOf } from '../typed';
import {
  type Applies,
  COMMON_PRACTICE,
  type Engine,
  ENGINE_TRAITS,
  type EngineTrait,
  type Past,
  type Strain,
  type Threshold,
} from '../catalogue/shapes';

/** The machine that is looked at. Everything may be left out; no class means an engine by itself. */
export interface Machine {
  readonly classId?: string | undefined;
  readonly engine: Engine;
  readonly past: Past;
}

/** Of engines of which nothing is said, the share with each trait. Shares of one trait add up to one. */
export type TraitShares = { readonly [T in EngineTrait]: Readonly<Record<string, number>> };

/**
 * How far an entry belongs to a machine.
 * Out: 0 it cannot be, 1 it belongs, between: the share of such engines, where the trait is not known. Example: points with
 * nothing said about the ignition give the share of points engines.
 */
export function shareOf(when: Applies | undefined, machine: Machine, shares: TraitShares): number {
  if (when === undefined) return 1;
  if (when.classes !== undefined && !when.classes.some((id) => id === machine.classId)) return 0;
  let share = 1;
  for (const trait of keysOf(shares)) {
    const wanted: readonly unknown[] | undefined = when[trait];
    if (wanted === undefined) continue;
    const known = machine.engine[trait];
    share *=
      known === undefined
        ? wanted.reduce<number>((sum, value) => sum + (shares[trait][String(value)] ?? 0), 0)
        : Number(wanted.includes(known));
  }
  return share;
}

const clamp = (value: number, most: number): number => Math.min(Math.max(value, 0), most);

const GUM_OF_STORAGE = {
  'in-use': 0.1,
  exercised: 0.1,
  'alkylate-wet': 0.08,
  'stabilised-full': 0.25,
  'bowl-cleaned': 0.2,
  'run-dry-drained': 0.3,
  'run-dry': 0.6,
  'fuel-left': 1,
} as const;
const GUM_OF_BLEND = { E0: 0.6, E10: 1, E15: 1.15, alkylate: 0.1 } as const;
const DRYNESS_OF_STORAGE = {
  'in-use': 0,
  exercised: 0,
  'alkylate-wet': 0,
  'stabilised-full': 0,
  'bowl-cleaned': 0.8,
  'run-dry-drained': 1,
  'run-dry': 0.8,
  'fuel-left': 0,
} as const;
const DAMP_OF_PLACE = { indoors: 0.1, shed: 0.6, open: 1.2 } as const;
const ETHANOL_OF_BLEND = { E0: 0, E10: 1, E15: 1.4, alkylate: 0 } as const;
export const FRESH_DAYS: Threshold = {
  name: 'Days after which untreated fuel begins to turn',
  value: 30,
  unit: 'days',
  source: COMMON_PRACTICE,
};

/**
 * What of a past bears on faults (see STRAINS), each from 0 to about 2. What is not known counts as the usual.
 * In: days stood, storage, place, blend, hours since service, years, who was in it. Weights are judgement.
 */
export function strainsOf(past: Past): Readonly<Record<Strain, number>> {
  const days = past.daysStood ?? 20;
  const stored = past.stored ?? (days > FRESH_DAYS.value ? 'fuel-left' : 'in-use');
  const stood = clamp(Math.log2(Math.max(days, 1) / FRESH_DAYS.value) / 2.5, 1.6);
  const fogging = past.fogged ? 0.3 : 1;
  return {
    gum: stood * GUM_OF_STORAGE[stored] * (past.fuelBlend ? GUM_OF_BLEND[past.fuelBlend] : 0.9),
    damp: clamp(days / 365, 2) * (past.kept ? DAMP_OF_PLACE[past.kept] : 0.4) * fogging,
    dryness: clamp(days / 180, 1.5) * DRYNESS_OF_STORAGE[stored],
    overdue: clamp(((past.hoursSinceService ?? 25) - 25) / 50, 2),
    age: clamp((past.ageYears ?? 4) / 10, 2),
    opened: past.openedBefore ? 1 : 0,
    ethanol: past.fuelBlend ? ETHANOL_OF_BLEND[past.fuelBlend] * clamp(0.3 + days / 180, 1.3) : 0.4,
    newPlug: past.plugIsNew ? 1 : 0,
  };
}

/** The family that proven causes of an engine are counted under: ignition, strokes and fuel. What is not known is the usual. */
export const engineFamily = ({ ignition = 'coil', strokes = 4, fuel = 'petrol' }: Engine): string =>
  `${ignition}-${strokes}-${fuel}`;

/** The engine that a family names: the other way round. */
export function engineOfFamily(family: string): Engine {
  const is = (value: string | number): boolean => family.split('-').includes(String(value));
  const { ignition, strokes, fuel } = ENGINE_TRAITS;
  return { ignition: ignition.find(is), strokes: strokes.find(is), fuel: fuel.find(is) };
}
