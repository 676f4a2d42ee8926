import { exact } from '../figures';

/** What is measured of a set, each in per cent of rated; null: not measured. */
export interface Departures {
  readonly droop: number | null;
  readonly band: number | null;
  readonly voltage: number | null;
}

/** A performance class and the largest departures within it. */
export interface DepartureLimits<Name extends string = string> {
  readonly name: Name;
  readonly droop: number;
  readonly band: number;
  readonly voltage: number;
}

/** Frequency droop in per cent of rated, below 0 where it rises with load. In: hertz. Example: 62.4 without load, 60 with, rated 60: 4. */
export const droopOf = (noLoad: number, fullLoad: number, rated: number): number =>
  exact((exact(noLoad - fullLoad) / rated) * 100);

/** Width of the hertz at a held load, per cent of rated. In: highest and lowest hertz. Example: 60.5 and 59.9 at 60: 1. */
export const bandOfHertz = (highest: number, lowest: number, rated: number): number =>
  exact((exact(highest - lowest) / rated) * 100);

/** Farthest departure of the volts from rated, to either side, per cent. Example: 123 and 118 at 120: 2.5. */
export const voltageDeviation = (volts: readonly number[], rated: number): number =>
  exact((Math.max(...volts.map((one) => Math.abs(exact(one - rated)))) / rated) * 100);

export interface ClassReached<Name extends string> {
  /** The best class that all measured departures are within; null: outside all. */
  readonly reached: Name | null;
  /** The best class by each; null: outside all; undefined: not measured. */
  readonly by: { readonly [K in keyof Departures]: Name | null | undefined };
}

/**
 * The best performance class that a set is within.
 * In: departures in per cent (a droop below 0 is outside all: the set rises with load), classes from the best to the widest. Out: the class
 * by all that was measured, and by each. Exactly on a limit is within it. Example: droop 4, band 0.4, voltage 2.5: G2.
 */
export function classReached<Name extends string>(
  departures: Departures,
  classes: readonly DepartureLimits<Name>[],
): ClassReached<Name> {
  const by = (key: keyof Departures): Name | null | undefined => {
    const value = departures[key];
    if (value === null) return undefined;
    return value < 0 ? null : (classes.find((entry) => value <= entry[key])?.name ?? null);
  };
  const measured = (['droop', 'band', 'voltage'] as const).filter((key) => departures[key] !== null);
  const reached = classes.find((entry) => measured.every((key) => isWithin(departures[key], entry[key])));
  return {
    reached: measured.length === 0 ? null : (reached?.name ?? null),
    by: { droop: by('droop'), band: by('band'), voltage: by('voltage') },
  };
}

const isWithin = (value: number | null, most: number): boolean => value !== null && value >= 0 && value <= most;
