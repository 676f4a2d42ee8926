import { COMMON_PRACTICE } from '../shapes';

export { GAP_WAYS } from './gaps';
export { GOVERNOR_CLASSES, GOVERNOR_CLASSES_SOURCE, type GovernorClass } from './governorClasses';

const source = COMMON_PRACTICE;

/** How readings are banded where a model's data sheet says nothing else. Values in the unit given; a model's own always beats these. */
export const READING_LIMITS = {
  compressionFree: {
    unit: 'psi',
    source,
    steps: [
      { from: 0, outcome: 'failed' },
      { from: 50, outcome: 'worn' },
      { from: 100, outcome: 'acceptable' },
      { from: 150, outcome: 'strong' },
    ],
  },
  compressionByRelease: {
    unit: 'psi',
    source,
    steps: [
      { from: 0, outcome: 'failed' },
      { from: 45, outcome: 'worn' },
      { from: 75, outcome: 'acceptable' },
      { from: 90, outcome: 'strong' },
    ],
  },
  // At most 15 per cent lost is good, at most 40 worn.
  leakDownPercent: {
    unit: '%',
    source,
    steps: [
      { from: 0, outcome: 'good' },
      { from: 15, isOver: true, outcome: 'worn' },
      { from: 40, isOver: true, outcome: 'failed' },
    ],
  },
  batteryVolts: {
    unit: 'V',
    source,
    steps: [
      { from: 0, outcome: 'weak' },
      { from: 12.4, outcome: 'good' },
    ],
  },
  plugGapInch: {
    unit: 'in',
    source,
    steps: [
      { from: 0, outcome: 'narrow' },
      { from: 0.0255, outcome: 'in-spec' },
      { from: 0.0335, isOver: true, outcome: 'wide' },
    ],
  },
  airGapInch: {
    unit: 'in',
    source,
    steps: [
      { from: 0, outcome: 'rubs' },
      { from: 0.0015, outcome: 'narrow' },
      { from: 0.0075, outcome: 'in-spec' },
      { from: 0.0145, isOver: true, outcome: 'wide' },
    ],
  },
  pointsGapInch: {
    unit: 'in',
    source,
    steps: [
      { from: 0, outcome: 'closed' },
      { from: 0.003, outcome: 'narrow' },
      { from: 0.017, outcome: 'in-spec' },
      { from: 0.0235, isOver: true, outcome: 'wide' },
    ],
  },
  pointsOhm: {
    unit: 'ohm',
    source,
    steps: [
      { from: 0, outcome: 'few-ohms' },
      { from: 5, isOver: true, outcome: 'high' },
    ],
  },
  coilOhm: {
    unit: 'ohm',
    source,
    steps: [
      { from: 0, outcome: 'short' },
      { from: 2000, outcome: 'in-range' },
      { from: 7000, isOver: true, outcome: 'open' },
    ],
  },
  lashIntakeInch: {
    unit: 'in',
    source,
    steps: [
      { from: 0, outcome: 'tight' },
      { from: 0.0025, outcome: 'in-spec' },
      { from: 0.0065, isOver: true, outcome: 'loose' },
    ],
  },
  lashExhaustInch: {
    unit: 'in',
    source,
    steps: [
      { from: 0, outcome: 'tight' },
      { from: 0.0045, outcome: 'in-spec' },
      { from: 0.0085, isOver: true, outcome: 'loose' },
    ],
  },
} as const;
