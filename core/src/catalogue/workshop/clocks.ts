import { COMMON_PRACTICE, JUDGEMENT, type ClockId, type ClockKind } from '../shapes';

/** The waits of the bench. */
export const CLOCKS: Readonly<Record<ClockId, ClockKind>> = {
  'drip-test': {
    name: 'Drip test',
    minutes: 120,
    note: 'Wiped dry, clean paper under it, fuel on. Two to four hours dry is right.',
    results: { dry: ['Dry', true], damp: ['Damp', false], drips: ['Drips', false] },
    safety: true,
    source: COMMON_PRACTICE,
  },
  'cylinder-soak': {
    name: 'Cylinder soak',
    minutes: 720,
    note: 'A spoon of oil or penetrant in the cylinder, plug laid in. Never crank it full.',
    results: { freed: ['Turns now', true], same: ['No change', false] },
    source: COMMON_PRACTICE,
  },
  'tank-soak': {
    name: 'Tank soak',
    minutes: 480,
    note: 'Outlet plugged, rust remover in. Hours to a night.',
    results: { clean: ['Clean floor', true], rusty: ['Still rusty', false] },
    source: COMMON_PRACTICE,
  },
  'tank-drying': {
    name: 'Tank drying',
    minutes: 90,
    note: 'Swilled with a little fuel, open, away from any flame. Flash rust follows: oil it at once.',
    results: { dry: ['Dry', true], wet: ['Still wet', false] },
    source: COMMON_PRACTICE,
  },
  bath: {
    name: 'Carburettor bath',
    minutes: 600,
    note: 'Overnight. Plastic arms and rubber stay out of it.',
    results: { clean: ['Clean', true], gummed: ['Still gummed', false] },
    source: COMMON_PRACTICE,
  },
  glue: {
    name: 'Glue setting',
    minutes: 60,
    note: 'By the maker’s sheet of the glue.',
    results: { set: ['Set', true], soft: ['Still soft', false] },
    source: JUDGEMENT,
  },
  charge: {
    name: 'Battery charge',
    minutes: 240,
    note: 'Vent caps as the maker says, no spark near it; rest an hour before the volts count.',
    results: { holds: ['Holds', true], 'does-not-hold': ['Does not hold', false] },
    source: JUDGEMENT,
  },
  'run-test': {
    name: 'Run test',
    minutes: 20,
    note: 'Running under load, somebody by it.',
    results: { steady: ['Steady', true], 'not-steady': ['Not steady', false], died: ['It stopped', false] },
    source: COMMON_PRACTICE,
  },
};
