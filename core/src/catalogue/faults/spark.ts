import type { Applies, Fault } from '../shapes';

const POINTS: Applies = { ignition: ['points'] };
const ELECTRIC: Applies = { start: ['electric', 'both'] };

/** Plug, coil, points, switches, battery. What takes the spark away altogether is heard before what weakens it. */
export const SPARK_FAULTS = {
  'switch-off': {
    says: 'Switch off', lane: 'spark', family: 'switch', perThousand: 12, rank: 20, repair: { says: 'Switch it on', minutes: 1, partsCents: 0 },
    shows: { 'kill-switch': { off: 0.95 }, 'spark-inline': { none: 0.92 }, 'spark-open-plug': { none: 0.92 }, 'spark-set-gap': { none: 0.92 }, 'kill-wire-off': { 'spark-returns': 0.88 }, starting: { 'will-not-fire': 0.93 }, 'fuel-put-in': { nothing: 0.88 }, 'plug-look': { 'wet-fuel': 0.5 } },
  },
  'kill-circuit-grounded': {
    says: 'Kill circuit grounded', lane: 'spark', family: 'switch', perThousand: 10, rank: 21, strains: { opened: 0.6, damp: 0.4 }, repair: { says: 'Find and clear the ground in the kill circuit', minutes: 18, partsCents: 800 },
    shows: { 'kill-wire-off': { 'spark-returns': 0.94 }, 'spark-inline': { none: 0.9 }, 'spark-open-plug': { none: 0.9 }, 'spark-set-gap': { none: 0.9 }, starting: { 'will-not-fire': 0.86 }, 'fuel-put-in': { nothing: 0.86 }, intermittent: { 'comes-and-goes': 0.3 }, 'plug-look': { 'wet-fuel': 0.5 }, 'last-repair': { ignition: 0.15, 'unknown-hand': 0.1 } },
  },
  'oil-low': {
    says: 'Oil low', lane: 'spark', family: 'oil', when: { strokes: [4] }, perThousand: 11, rank: 22, strains: { overdue: 0.5, age: 0.3 }, repair: { says: 'Fill to the mark, ask where it went', minutes: 4, partsCents: 600 }, caution: 'do-not-start',
    shows: { 'oil-level': { low: 0.96 }, 'spark-inline': { none: 0.35 }, 'spark-open-plug': { none: 0.35 }, 'spark-set-gap': { none: 0.35 }, 'oil-switch-off': { 'spark-returns': 0.38 }, starting: { 'will-not-fire': 0.38 }, 'fuel-put-in': { nothing: 0.35 }, 'runs-for': { '2-to-10-min': 0.1, '10-to-30-min': 0.12 }, intermittent: { 'comes-and-goes': 0.2 }, 'kill-wire-off': { 'spark-returns': 0.25 } },
  },
  'oil-switch-failed': {
    says: 'Low-oil switch failed', lane: 'spark', family: 'switch', when: { strokes: [4] }, perThousand: 6, rank: 23, strains: { age: 0.3 }, repair: { says: 'Replace the low-oil switch', minutes: 30, partsCents: 2200 },
    shows: { 'oil-switch-off': { 'spark-returns': 0.94 }, 'spark-inline': { none: 0.85 }, 'spark-open-plug': { none: 0.85 }, 'spark-set-gap': { none: 0.85 }, 'kill-wire-off': { 'spark-returns': 0.4 }, starting: { 'will-not-fire': 0.78, 'fires-then-dies': 0.08 }, 'fuel-put-in': { nothing: 0.78 }, intermittent: { 'comes-and-goes': 0.3 }, 'plug-look': { 'wet-fuel': 0.45 } },
  },
  'coil-failed': {
    says: 'Coil failed', lane: 'spark', family: 'coil', perThousand: 12, rank: 24, strains: { age: 0.3 }, repair: { says: 'Replace the coil, set its gap', minutes: 16, partsCents: 3800, setUps: ['cowl-off'] },
    shows: { 'spark-inline': { none: 0.8, weak: 0.14 }, 'spark-open-plug': { none: 0.8, pale: 0.15 }, 'spark-set-gap': { none: 0.78, fails: 0.19 }, starting: { 'will-not-fire': 0.88, hard: 0.06 }, 'fuel-put-in': { nothing: 0.84, 'pops-only': 0.06 }, 'coil-resistance': { open: 0.42, short: 0.28 }, 'plug-look': { 'wet-fuel': 0.48 } },
  },
  'points-oxidised': {
    says: 'Points oxidised', lane: 'spark', family: 'points', when: POINTS, perThousand: 70, rank: 25, strains: { damp: 1.0, gum: 0.3 }, repair: { says: 'Dress the points, check the gap', minutes: 14, partsCents: 0, setUps: ['cowl-off', 'flywheel-off'] },
    shows: { 'points-resistance': { high: 0.96 }, 'spark-inline': { none: 0.65, weak: 0.22 }, 'spark-open-plug': { none: 0.65, pale: 0.25 }, 'spark-set-gap': { none: 0.62, fails: 0.3 }, starting: { 'will-not-fire': 0.72, hard: 0.18 }, 'fuel-put-in': { nothing: 0.7, 'pops-only': 0.1 }, intermittent: { 'comes-and-goes': 0.25 }, 'plug-look': { 'wet-fuel': 0.4 } },
  },
  'points-gap-closed': {
    says: 'Points gap closed up', lane: 'spark', family: 'points', when: POINTS, perThousand: 24, rank: 26, strains: { overdue: 0.4, opened: 0.3 }, repair: { says: 'Set the points', minutes: 14, partsCents: 0, setUps: ['cowl-off', 'flywheel-off'] },
    shows: { 'points-gap': { closed: 0.6, narrow: 0.36 }, 'spark-inline': { none: 0.5, weak: 0.35 }, 'spark-open-plug': { none: 0.5, pale: 0.35 }, 'spark-set-gap': { none: 0.48, fails: 0.4 }, starting: { 'will-not-fire': 0.6, hard: 0.28 }, 'fuel-put-in': { nothing: 0.58, 'pops-only': 0.15 }, 'plug-look': { 'wet-fuel': 0.35 } },
  },
  'condenser-failed': {
    says: 'Condenser failed', lane: 'spark', family: 'points', when: POINTS, perThousand: 14, rank: 27, strains: { age: 0.4 }, repair: { says: 'New condenser', minutes: 14, partsCents: 900, setUps: ['cowl-off', 'flywheel-off'] },
    shows: { condenser: { short: 0.5, open: 0.44 }, 'spark-inline': { weak: 0.48, none: 0.36 }, 'spark-open-plug': { pale: 0.48, none: 0.36 }, 'spark-set-gap': { fails: 0.52, none: 0.36 }, starting: { 'will-not-fire': 0.5, hard: 0.32 }, 'fuel-put-in': { nothing: 0.5, 'pops-only': 0.2 }, 'points-resistance': { high: 0.25 } },
  },
  'plug-cap-contact': {
    says: 'Plug cap does not reach the plug', lane: 'spark', family: 'plug', perThousand: 4, rank: 28, strains: { opened: 0.4, damp: 0.3 }, repair: { says: 'Clean or replace the cap, tighten the terminal nut', minutes: 5, partsCents: 500 },
    shows: { 'spark-inline': { none: 0.45, weak: 0.2 }, 'spark-open-plug': { none: 0.6, pale: 0.15 }, 'spark-set-gap': { none: 0.1 }, starting: { 'will-not-fire': 0.48, hard: 0.15 }, intermittent: { 'comes-and-goes': 0.55 }, idle: { rough: 0.25 }, 'fuel-put-in': { nothing: 0.5 }, 'plug-look': { 'wet-fuel': 0.3 } },
  },
  'plug-fouled': {
    says: 'Plug fouled', lane: 'spark', family: 'plug', perThousand: 28, rank: 70, strains: { overdue: 0.4, newPlug: -1.5 }, repair: { says: 'New plug, gap set', minutes: 3, partsCents: 500, setUps: ['plug-out'] },
    shows: { 'plug-look': { sooty: 0.38, oily: 0.25, 'wet-fuel': 0.28 }, 'plug-under-pressure': { 'wanders-or-flames': 0.5, none: 0.42 }, 'plug-swapped': { cured: 0.92 }, 'spark-open-plug': { pale: 0.3, none: 0.25 }, starting: { 'will-not-fire': 0.42, hard: 0.33 }, idle: { rough: 0.3 }, 'spark-inline': { weak: 0.12, none: 0.06 }, 'under-load': { bogs: 0.15 }, 'fuel-put-in': { nothing: 0.48, 'pops-only': 0.1 }, intermittent: { 'comes-and-goes': 0.3 } },
  },
  'plug-worn-or-cracked': {
    says: 'Plug worn or cracked', lane: 'spark', family: 'plug', perThousand: 15, rank: 71, strains: { overdue: 0.7, age: 0.2, newPlug: -2 }, repair: { says: 'New plug, gap set', minutes: 3, partsCents: 500, setUps: ['plug-out'] },
    shows: { 'plug-under-pressure': { 'wanders-or-flames': 0.6, none: 0.34 }, 'plug-swapped': { cured: 0.94 }, 'spark-open-plug': { pale: 0.12, none: 0.06 }, starting: { 'will-not-fire': 0.32, hard: 0.36 }, idle: { rough: 0.35 }, 'under-load': { bogs: 0.25, dies: 0.12 }, intermittent: { 'comes-and-goes': 0.42 }, 'plug-look': { blistered: 0.1, 'wet-fuel': 0.15 }, 'fuel-put-in': { nothing: 0.42, 'pops-only': 0.15 }, 'runs-for': { '10-to-30-min': 0.12 }, 'plug-gap': { wide: 0.08 }, throttle: { hesitates: 0.2 }, 'spark-inline': { weak: 0.06 } },
  },
  'plug-gap-wide': {
    says: 'Plug gap too wide', lane: 'spark', family: 'plug', perThousand: 8, rank: 72, strains: { overdue: 0.4, opened: 0.3 }, repair: { says: 'Set the plug gap', minutes: 3, partsCents: 0, setUps: ['plug-out'] },
    shows: { 'plug-gap': { wide: 0.97 }, 'plug-swapped': { cured: 0.86 }, starting: { hard: 0.52, 'will-not-fire': 0.22 }, 'under-load': { bogs: 0.22, dies: 0.08 }, 'spark-inline': { weak: 0.1 }, 'plug-under-pressure': { 'wanders-or-flames': 0.3 }, idle: { rough: 0.22 } },
  },
  'plug-wrong-type': {
    says: 'Wrong plug', lane: 'spark', family: 'plug', perThousand: 3, rank: 73, strains: { opened: 0.8, newPlug: 1 }, repair: { says: 'The right plug', minutes: 3, partsCents: 500, setUps: ['plug-out'] },
    shows: { 'plug-type': { wrong: 0.97 }, 'kick-back': { yes: 0.25 }, 'plug-look': { blistered: 0.22, sooty: 0.25 }, starting: { hard: 0.32 }, idle: { rough: 0.28 }, 'plug-swapped': { cured: 0.75 }, 'last-repair': { ignition: 0.3, 'unknown-hand': 0.2 } },
  },
  'plug-loose': {
    says: 'Plug loose', lane: 'compression', family: 'plug', perThousand: 3.5, rank: 74, strains: { opened: 0.9 }, repair: { says: 'Seat the plug', minutes: 2, partsCents: 0 },
    shows: { 'plug-seat': { loose: 0.97 }, 'compression-feel': { weak: 0.1 }, starting: { hard: 0.38, 'will-not-fire': 0.1 }, idle: { rough: 0.25 }, 'leak-place': { 'head-joint': 0.4 }, 'under-load': { bogs: 0.2 } },
  },
  'air-gap-wrong': {
    says: 'Coil air gap wrong', lane: 'spark', family: 'coil', perThousand: 4, rank: 75, strains: { opened: 1.1 }, repair: { says: 'Set the coil’s air gap', minutes: 8, partsCents: 0, setUps: ['cowl-off'] },
    shows: { 'air-gap': { wide: 0.66, rubs: 0.15, narrow: 0.14 }, 'spark-inline': { weak: 0.45, none: 0.2 }, 'spark-set-gap': { fails: 0.6, none: 0.2 }, 'spark-open-plug': { pale: 0.45, none: 0.18 }, starting: { hard: 0.48, 'will-not-fire': 0.28 }, 'last-repair': { ignition: 0.35, 'unknown-hand': 0.15 }, 'fuel-put-in': { nothing: 0.28, 'pops-only': 0.1 } },
  },
  'magnet-or-coil-rust': {
    says: 'Rust on magnet or coil', lane: 'spark', family: 'coil', perThousand: 5, rank: 76, strains: { damp: 1.3 }, repair: { says: 'Clean to bright metal, set the gap', minutes: 12, partsCents: 0, setUps: ['cowl-off'] },
    shows: { 'magnet-face': { rusty: 0.95 }, 'spark-inline': { weak: 0.45, none: 0.12 }, 'spark-open-plug': { pale: 0.5, none: 0.1 }, 'spark-set-gap': { fails: 0.52, none: 0.12 }, 'kick-back': { yes: 0.22 }, starting: { hard: 0.42, 'will-not-fire': 0.22 }, 'air-gap': { narrow: 0.15, rubs: 0.15 }, 'fuel-put-in': { nothing: 0.25, 'pops-only': 0.1 } },
  },
  'coil-fails-hot': {
    says: 'Coil fails hot', lane: 'spark', family: 'coil', perThousand: 5, rank: 77, strains: { age: 0.3 }, repair: { says: 'Replace the coil, set its gap', minutes: 16, partsCents: 3800, setUps: ['cowl-off'] },
    shows: { 'runs-for': { '10-to-30-min': 0.76, '2-to-10-min': 0.16 }, intermittent: { 'comes-and-goes': 0.62 }, 'spark-inline': { none: 0.18, weak: 0.12 }, 'spark-set-gap': { none: 0.12, fails: 0.15 }, 'under-load': { dies: 0.3 }, 'coil-resistance': { open: 0.12, short: 0.1 }, starting: { hard: 0.12 } },
  },
  'battery-terminals-loose': {
    says: 'Battery terminals loose', lane: 'spark', family: 'battery', when: ELECTRIC, perThousand: 11, rank: 15, strains: { opened: 0.4, overdue: 0.2 }, repair: { says: 'Clean and tighten the terminals', minutes: 6, partsCents: 0 }, caution: 'battery',
    shows: { battery: { 'loose-terminals': 0.94 }, starter: { slow: 0.3, dead: 0.42 }, starting: { 'will-not-turn': 0.4, hard: 0.08 }, idle: { rough: 0.3 }, intermittent: { 'comes-and-goes': 0.55 }, solenoid: { 'no-power': 0.2 }, 'charge-volts': { none: 0.15 }, output: { 'drops-on-load': 0.12 } },
  },
  'earth-poor': {
    says: 'Poor earth', lane: 'spark', family: 'battery', when: ELECTRIC, perThousand: 5, rank: 16, strains: { damp: 0.5, opened: 0.3 }, repair: { says: 'Clean the earths to bright metal', minutes: 10, partsCents: 0 }, caution: 'battery',
    shows: { starter: { slow: 0.4, dead: 0.15 }, idle: { rough: 0.25 }, intermittent: { 'comes-and-goes': 0.45 }, 'spark-inline': { weak: 0.12 }, solenoid: { 'no-power': 0.2 }, 'charge-volts': { none: 0.15 }, starting: { 'will-not-turn': 0.12, hard: 0.12 }, battery: { 'loose-terminals': 0.1 } },
  },
  'battery-weak': {
    says: 'Battery weak', lane: 'spark', family: 'battery', when: ELECTRIC, perThousand: 20, rank: 17, strains: { gum: 0.3, age: 0.4 }, repair: { says: 'Charge, test, replace if it will not hold', minutes: 10, partsCents: 4000 }, caution: 'battery',
    shows: { battery: { weak: 0.95 }, starter: { slow: 0.62, dead: 0.3 }, starting: { 'will-not-turn': 0.4, hard: 0.22 }, solenoid: { 'no-power': 0.12 } },
  },
  'charging-failed': {
    says: 'Charging failed', lane: 'spark', family: 'battery', when: ELECTRIC, perThousand: 6, rank: 18, repair: { says: 'Stator, diode or regulator of the charging circuit', minutes: 35, partsCents: 3500 }, caution: 'battery',
    shows: { 'charge-volts': { none: 0.95 }, battery: { weak: 0.6 }, starter: { slow: 0.35, dead: 0.2 }, starting: { 'will-not-turn': 0.22, hard: 0.08 } },
  },
} as const satisfies Readonly<Record<string, Fault>>;
