import { own } from '../catalogue/shapes';
import type { Bands, ReadingLimits } from './bandReading';

/** What a model's data sheet says of a reading: from where to where it is well, in the unit of its bands. No upper end: null. */
export type OwnLimits = {
  readonly [K in keyof ReadingLimits]?: readonly [from: number, to: number | null] | undefined;
};

interface OwnRule {
  /** Where the healthy step of the scale stands. */
  readonly healthy: number;
  /** What no engine goes beyond, in the unit of the scale (judgement). */
  readonly most: number;
  /** What is well from nought up to an end. */
  readonly isAtMost?: true;
  /** What is well from a start up, with no end. */
  readonly isAtLeast?: true;
}

const RULES: Readonly<Record<keyof ReadingLimits, OwnRule>> = {
  compressionFree: { healthy: 3, most: 400, isAtLeast: true },
  compressionByRelease: { healthy: 3, most: 400, isAtLeast: true },
  leakDownPercent: { healthy: 0, most: 100, isAtMost: true },
  batteryVolts: { healthy: 1, most: 30, isAtLeast: true },
  plugGapInch: { healthy: 1, most: 0.1 },
  airGapInch: { healthy: 2, most: 0.1 },
  pointsGapInch: { healthy: 2, most: 0.1 },
  pointsOhm: { healthy: 0, most: 1000, isAtMost: true },
  coilOhm: { healthy: 1, most: 100_000 },
  lashIntakeInch: { healthy: 1, most: 0.1 },
  lashExhaustInch: { healthy: 1, most: 0.1 },
};

export type OwnLimitWrong = 'inverted' | 'impossible' | 'end-wanted' | 'no-end' | 'from-nought';

/**
 * Whether a band of a data sheet can be: null, or why not.
 * In: the limit's name, from and to in its unit. inverted: to is not above from. impossible: beyond what any engine shows. end-wanted: a gap
 * without an upper end. no-end: compression and volts have none. from-nought: what is at most so much starts at 0.
 */
export function wrongOfOwn(
  name: keyof ReadingLimits,
  [from, to]: readonly [number, number | null],
): OwnLimitWrong | null {
  const { most, isAtMost = false, isAtLeast = false } = RULES[name];
  if (to !== null && to <= from) return 'inverted';
  if (from > most || (to !== null && to > most) || (isAtLeast && from === 0)) return 'impossible';
  if (isAtMost && from !== 0) return 'from-nought';
  if (isAtLeast) return to === null ? null : 'no-end';
  return to === null ? 'end-wanted' : null;
}

const LIMIT_NAMES = [
  'compressionFree',
  'compressionByRelease',
  'leakDownPercent',
  'batteryVolts',
  'plugGapInch',
  'airGapInch',
  'pointsGapInch',
  'pointsOhm',
  'coilOhm',
  'lashIntakeInch',
  'lashExhaustInch',
] as const satisfies readonly (keyof ReadingLimits)[];

/**
 * The limits that count for a model: its data sheet's where it has them, the defaults elsewhere.
 * In: defaults, the sheet's own. Out: limits. Steps below the healthy one keep their proportion to it. A data sheet always beats a default.
 */
export function limitsFor(defaults: ReadingLimits, own: OwnLimits | null): ReadingLimits {
  const limits: { -readonly [K in keyof ReadingLimits]: Bands } = { ...defaults };
  for (const name of LIMIT_NAMES) {
    const range = own?.[name];
    if (range) limits[name] = withOwn(defaults[name], RULES[name].healthy, range);
  }
  return limits;
}

/** What stands on the sheet is well itself, at both ends; what is worse than what follows it keeps its distance. */
function withOwn(bands: Bands, healthy: number, [from, to]: readonly [number, number | null]): Bands {
  const before = bands.steps[healthy]?.from ?? 0;
  const after = bands.steps[healthy + 1]?.from ?? 0;
  const steps = bands.steps.flatMap((step, at) => {
    if (at < healthy) return { ...step, from: before === 0 ? step.from : (step.from * from) / before };
    if (at === healthy) return { ...step, from };
    if (to === null) return step.from > from ? step : [];
    return { ...step, from: at === healthy + 1 ? to : (step.from * to) / after };
  });
  return { ...bands, steps, source: own('model sheet') };
}
