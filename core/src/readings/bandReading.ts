import type { Engine, ReadingKind, Source } from '../catalogue/shapes';
import { exact } from '../figures';
import { asSixCellsAt25 } from './battery';
import { convertValue, type AnyUnit } from '../units';

/** An edge between outcomes: from this value on the outcome is so, or only over it. The first edge has no value below. */
export interface BandStep {
  readonly from: number;
  /** The value itself belongs to the step before: "at most 15" is good at 15. */
  readonly isOver?: boolean;
  readonly outcome: string;
}

export interface Bands {
  readonly unit: string;
  /** Ascending. */
  readonly steps: readonly BandStep[];
  readonly source: Source;
}

export interface ReadingLimits {
  readonly compressionFree: Bands;
  readonly compressionByRelease: Bands;
  readonly leakDownPercent: Bands;
  readonly batteryVolts: Bands;
  readonly plugGapInch: Bands;
  readonly airGapInch: Bands;
  readonly pointsGapInch: Bands;
  readonly pointsOhm: Bands;
  readonly coilOhm: Bands;
  readonly lashIntakeInch: Bands;
  readonly lashExhaustInch: Bands;
}

export type Banded =
  | {
      readonly ok: true;
      readonly outcome: string;
      readonly value: number;
      readonly unit: string;
      readonly bands: Bands;
    }
  | { readonly ok: false; readonly why: string };

/** The outcome of a value on a scale of bands. Example: 100 on "worn from 50, acceptable from 100" is acceptable. */
export function bandOf(value: number, bands: Bands): string {
  const read = exact(value);
  return bands.steps.reduce(
    (outcome, { from, isOver = false, outcome: here }) => ((isOver ? read > from : read >= from) ? here : outcome),
    bands.steps[0]?.outcome ?? '',
  );
}

interface Given {
  readonly value?: unknown;
  readonly unit?: unknown;
  readonly method?: unknown;
  readonly supply?: unknown;
  readonly cylinder?: unknown;
  readonly intake?: unknown;
  readonly exhaust?: unknown;
  readonly temperature?: unknown;
  readonly nominal?: unknown;
}

export interface Surroundings {
  readonly engine: Engine;
  /** Height of the yard above the sea, metres: thin air reads low. */
  readonly altitudeM?: number;
}

const isGiven = (reading: unknown): reading is Given => typeof reading === 'object' && reading !== null;
const METHODS = ['pull', 'starter', 'drill'];
const fail = (why: string): Banded => ({ ok: false, why });
const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value) && value >= 0;

/** In which units each kind is read. The first is that of its limits. */
export const READ_IN = {
  compression: ['psi', 'kPa', 'bar'],
  'leak-down': ['psi', 'kPa', 'bar'],
  'valve-lash': ['in', 'thou', 'mm'],
  battery: ['V'],
  'plug-gap': ['in', 'thou', 'mm'],
  'air-gap': ['in', 'thou', 'mm'],
  'points-gap': ['in', 'thou', 'mm'],
  'points-resistance': ['ohm', 'kohm', 'Mohm'],
  'coil-resistance': ['ohm', 'kohm', 'Mohm'],
} as const satisfies Readonly<Record<ReadingKind, readonly string[]>>;

function inUnit(value: unknown, unit: unknown, wanted: AnyUnit, allowed: readonly string[]): number | string {
  if (!isNumber(value)) return 'a number from 0 is wanted';
  if (!allowed.includes(String(unit))) return `the unit must be ${allowed.join(' or ')}`;
  return unit === wanted ? value : convertValue(value, String(unit), wanted);
}

const banded = (value: number | string, bands: Bands): Banded =>
  typeof value === 'string' ? fail(value) : { ok: true, outcome: bandOf(value, bands), value, unit: bands.unit, bands };

/**
 * Standard atmosphere pressure at a height (ISO 2533:1975, troposphere).
 * In: metres, 0 to 11,000. Out: kilopascal. Example: 1000 m gives 89.87 kPa.
 */
export const pressureAtKPa = (altitudeM: number): number => 101.325 * (1 - 2.25577e-5 * altitudeM) ** 5.25588;

/** A cranking pressure as it would read at sea level: the gauge shows a ratio of the air that it gets. Common practice, about 3 % per 1000 ft. */
export const toSeaLevel = (gauge: number, altitudeM: number): number => (gauge * 101.325) / pressureAtKPa(altitudeM);

/** Share of the supply that is lost, in per cent. Example: 40 in and 20 held is 50. */
export const leakDownPercent = (supply: number, cylinder: number): number => ((supply - cylinder) / supply) * 100;

type Rule = (given: Given, limits: ReadingLimits, around: Surroundings) => Banded;
const gap =
  (bands: (limits: ReadingLimits) => Bands): Rule =>
  (given, limits) =>
    banded(inUnit(given.value, given.unit, 'in', READ_IN['plug-gap']), bands(limits));
const ohms =
  (bands: (limits: ReadingLimits) => Bands): Rule =>
  (given, limits) =>
    banded(inUnit(given.value, given.unit ?? 'ohm', 'ohm', READ_IN['coil-resistance']), bands(limits));

const RULES: Readonly<Record<ReadingKind, Rule>> = {
  compression: (given, limits, { engine, altitudeM = 0 }) => {
    if (given.method !== undefined && !METHODS.includes(String(given.method)))
      return fail(`the method must be ${METHODS.join(', ')}`);
    const psi = inUnit(given.value, given.unit, 'psi', READ_IN.compression);
    const free = engine.release === false || given.method === 'drill';
    return banded(
      typeof psi === 'string' ? psi : toSeaLevel(psi, altitudeM),
      free ? limits.compressionFree : limits.compressionByRelease,
    );
  },
  'leak-down': (given, limits) => {
    if (!isNumber(given.supply) || given.supply === 0 || !isNumber(given.cylinder))
      return fail('supply and cylinder are wanted, both from 0');
    if (given.cylinder > given.supply) return fail('the cylinder cannot hold more than the supply');
    return banded(leakDownPercent(given.supply, given.cylinder), limits.leakDownPercent);
  },
  'valve-lash': (given, limits) => {
    const intake = inUnit(given.intake, given.unit, 'in', READ_IN['valve-lash']);
    const exhaust = inUnit(given.exhaust, given.unit, 'in', READ_IN['valve-lash']);
    const both = [banded(intake, limits.lashIntakeInch), banded(exhaust, limits.lashExhaustInch)] as const;
    return (
      both.find((one) => !one.ok) ??
      both.find((one) => one.ok && one.outcome === limits.lashIntakeInch.steps[0]?.outcome) ??
      both.find((one) => one.ok && one.outcome !== limits.lashIntakeInch.steps[1]?.outcome) ??
      both[0]
    );
  },
  battery: (given, limits) => {
    const { temperature = 25, nominal = 12 } = given;
    const volts = inUnit(given.value, given.unit ?? 'V', 'V', READ_IN.battery);
    if (nominal !== 12 && nominal !== 24) return fail('a battery of 12 or 24 V is wanted');
    if (typeof temperature !== 'number' || !Number.isFinite(temperature))
      return fail('the temperature must be a figure');
    return banded(typeof volts === 'string' ? volts : asSixCellsAt25(volts, temperature, nominal), limits.batteryVolts);
  },
  'plug-gap': gap((limits) => limits.plugGapInch),
  'air-gap': gap((limits) => limits.airGapInch),
  'points-gap': gap((limits) => limits.pointsGapInch),
  'points-resistance': ohms((limits) => limits.pointsOhm),
  'coil-resistance': ohms((limits) => limits.coilOhm),
};

/**
 * A reading as an outcome.
 * In: the kind, the reading {value, unit} ({value, unit, method} for compression, {supply, cylinder} for leak-down, {intake, exhaust,
 * unit} for lash, {value, nominal: 12 or 24, temperature °C} for a battery), limits, engine and altitude. Out: outcome, value in the limits' unit and its bands; or why it cannot be.
 */
export const bandReading = (kind: ReadingKind, reading: unknown, limits: ReadingLimits, around: Surroundings): Banded =>
  RULES[kind](isGiven(reading) ? reading : {}, limits, around);
