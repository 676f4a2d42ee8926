import type { Bands, ReadingLimits } from './bandReading';

/** What a model's data sheet says of a reading: from where to where it is well, in the unit of its bands. No upper end: null. */
export type OwnLimits = {
  readonly [K in keyof ReadingLimits]?: readonly [from: number, to: number | null] | undefined;
};

/** Where the healthy step of each scale stands. */
const HEALTHY_STEP: Readonly<Record<keyof ReadingLimits, number>> = {
  compressionFree: 3,
  compressionByRelease: 3,
  leakDownPercent: 0,
  batteryVolts: 1,
  plugGapInch: 1,
  airGapInch: 2,
  pointsGapInch: 2,
  pointsOhm: 0,
  coilOhm: 1,
  lashIntakeInch: 1,
  lashExhaustInch: 1,
};

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
    if (range) limits[name] = withOwn(defaults[name], HEALTHY_STEP[name], range);
  }
  return limits;
}

function withOwn(bands: Bands, healthy: number, [from, to]: readonly [number, number | null]): Bands {
  const before = bands.steps[healthy]?.from ?? 0;
  const steps = bands.steps.map((step, at) => {
    if (at < healthy) return { ...step, from: before === 0 ? step.from : (step.from * from) / before };
    if (at === healthy) return { ...step, from };
    return { ...step, from: at === healthy + 1 && to !== null ? to : step.from };
  });
  return { ...bands, steps, source: { kind: 'data sheet' } };
}
