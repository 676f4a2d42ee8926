import type { Applies, FaultEntries } from '../shapes';

const ELECTRIC: Applies = { start: ['electric', 'both'] };

/** Battery, cables and charging. */
export const BATTERY_FAULTS = {
  'battery-terminals-loose': {
    name: 'Battery terminals loose',
    lane: 'spark',
    family: 'battery',
    when: ELECTRIC,
    perThousand: 11,
    rank: 150,
    strains: { opened: 0.4, overdue: 0.2 },
    repair: { title: 'Clean and tighten the terminals', minutes: 6, partsCents: 0 },
    caution: 'battery',
    shows: {
      battery: { 'loose-terminals': 0.94 },
      starter: { slow: 0.3, dead: 0.42 },
      starting: { 'will-not-turn': 0.4, hard: 0.08 },
      idle: { rough: 0.45 },
      intermittent: { 'comes-and-goes': 0.55 },
      output: { 'drops-on-load': 0.12 },
    },
  },
  'earth-poor': {
    name: 'Poor earth',
    lane: 'spark',
    family: 'battery',
    when: ELECTRIC,
    perThousand: 5,
    rank: 170,
    strains: { damp: 0.5, opened: 0.3 },
    repair: { title: 'Clean the earths to bright metal', minutes: 10, partsCents: 0 },
    caution: 'battery',
    shows: {
      starter: { slow: 0.4, dead: 0.15 },
      idle: { rough: 0.35 },
      intermittent: { 'comes-and-goes': 0.45 },
      'spark-inline': { weak: 0.12 },
      starting: { 'will-not-turn': 0.12, hard: 0.12 },
    },
  },
  'battery-weak': {
    name: 'Battery weak',
    lane: 'spark',
    family: 'battery',
    when: ELECTRIC,
    perThousand: 20,
    rank: 190,
    strains: { gum: 0.3, age: 0.4 },
    repair: { title: 'Charge, test, replace if it will not hold', minutes: 10, partsCents: 4000 },
    caution: 'battery',
    shows: {
      battery: { weak: 0.95 },
      starter: { slow: 0.62, dead: 0.3 },
      starting: { 'will-not-turn': 0.4, hard: 0.22 },
    },
  },
  'charging-failed': {
    name: 'Charging failed',
    lane: 'spark',
    family: 'battery',
    when: ELECTRIC,
    perThousand: 6,
    rank: 200,
    repair: {
      title: 'Stator, diode or regulator of the charging circuit',
      renews: true,
      minutes: 35,
      partsCents: 3500,
    },
    caution: 'battery',
    shows: {
      'charge-volts': { none: 0.95 },
      starter: { slow: 0.35, dead: 0.2 },
      starting: { 'will-not-turn': 0.22, hard: 0.08 },
    },
  },
} as const satisfies FaultEntries;
