import type { ClassId } from './ids';

/** What an engine may be, as far as it matters to a fault. The first of each is taken when nothing is said and it must be one. */
export const ENGINE_TRAITS = {
  ignition: ['coil', 'points'],
  strokes: [4, 2],
  release: [true, false],
  fuel: ['petrol', 'gas'],
  throttle: ['mechanical', 'electronic'],
  carburettor: ['float', 'diaphragm', 'suction', 'none'],
  tank: ['plastic', 'metal', 'none'],
  start: ['recoil', 'electric', 'both'],
  cooling: ['air', 'liquid'],
} as const;

export type EngineTrait = keyof typeof ENGINE_TRAITS;
export type Engine = { readonly [T in EngineTrait]?: (typeof ENGINE_TRAITS)[T][number] | undefined };

/** Holds when the machine is one of these classes and the engine has one of these traits. What is left out does not matter. */
export type Applies = { readonly [T in EngineTrait]?: readonly (typeof ENGINE_TRAITS)[T][number][] } & {
  readonly classes?: readonly ClassId[];
};

/** How long and how it stood, and what is known of its past. Everything may be left out. */
export const STORED = [
  'in-use',
  'run-dry',
  'run-dry-drained',
  'bowl-cleaned',
  'stabilised-full',
  'alkylate-wet',
  'exercised',
  'fuel-left',
] as const;
export const KEPT = ['indoors', 'shed', 'open'] as const;
export const FUEL_BLENDS = ['E0', 'E10', 'E15', 'alkylate'] as const;
export const TRUTHS = ['fogged', 'openedBefore', 'cylinderOiled', 'additiveInFuel', 'plugIsNew'] as const;
export type Truth = (typeof TRUTHS)[number];

export type Past = {
  readonly daysStood?: number | undefined;
  readonly hoursSinceService?: number | undefined;
  readonly ageYears?: number | undefined;
  readonly stored?: (typeof STORED)[number] | undefined;
  readonly kept?: (typeof KEPT)[number] | undefined;
  readonly fuelBlend?: (typeof FUEL_BLENDS)[number] | undefined;
} & { readonly [T in Truth]?: boolean | undefined };

/**
 * What of a past bears on faults, each about 0 (nothing) to 2 (very much so):
 * gum (fuel left to turn to varnish), damp (stood and rusted), dryness (a dry needle and seat), overdue (service), age, opened (by somebody),
 * ethanol, newPlug.
 */
export const STRAINS = ['gum', 'damp', 'dryness', 'overdue', 'age', 'opened', 'ethanol', 'newPlug'] as const;
export type Strain = (typeof STRAINS)[number];
