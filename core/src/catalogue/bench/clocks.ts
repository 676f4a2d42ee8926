import { COMMON_PRACTICE, JUDGEMENT, type ClockKind } from '../shapes';

/** The waits of the bench. */
export const CLOCKS = {
  'drip-test': {
    says: 'Drip test',
    minutes: 120,
    note: 'Wiped dry, clean paper under it, fuel on. Two to four hours dry is right.',
    results: { dry: ['Dry', true], damp: ['Damp', false], drips: ['Drips', false] },
    source: COMMON_PRACTICE,
  },
  'cylinder-soak': {
    says: 'Cylinder soak',
    minutes: 720,
    note: 'A spoon of oil or penetrant in the cylinder, plug laid in. Never crank it full.',
    results: { freed: ['Turns now', true], same: ['No change', false] },
    source: COMMON_PRACTICE,
  },
  'tank-soak': {
    says: 'Tank soak',
    minutes: 480,
    note: 'Outlet plugged, rust remover in. Hours to a night.',
    results: { clean: ['Clean floor', true], rusty: ['Still rusty', false] },
    source: COMMON_PRACTICE,
  },
  'tank-drying': {
    says: 'Tank drying',
    minutes: 90,
    note: 'Swilled with a little fuel, open, away from any flame. Flash rust follows: oil it at once.',
    results: { dry: ['Dry', true], wet: ['Still wet', false] },
    source: COMMON_PRACTICE,
  },
  bath: {
    says: 'Carburettor bath',
    minutes: 600,
    note: 'Overnight. Plastic arms and rubber stay out of it.',
    results: { clean: ['Clean', true], gummed: ['Still gummed', false] },
    source: COMMON_PRACTICE,
  },
  glue: {
    says: 'Glue setting',
    minutes: 60,
    note: 'By the maker’s sheet of the glue.',
    results: { set: ['Set', true], soft: ['Still soft', false] },
    source: JUDGEMENT,
  },
  charge: {
    says: 'Battery charge',
    minutes: 240,
    note: 'Vent caps as the maker says, no spark near it; rest an hour before the volts count.',
    results: { holds: ['Holds', true], 'does-not-hold': ['Does not hold', false] },
    source: JUDGEMENT,
  },
  'run-test': {
    says: 'Run test',
    minutes: 20,
    note: 'Running under load, somebody by it.',
    results: { steady: ['Steady', true], 'not-steady': ['Not steady', false], died: ['It stopped', false] },
    source: COMMON_PRACTICE,
  },
} as const satisfies Readonly<Record<string, ClockKind>>;

export type ClockId = keyof typeof CLOCKS;
export const CLOCK_IDS = Object.keys(CLOCKS) as ClockId[];
