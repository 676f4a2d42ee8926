import type { Applies, Fault } from '../shapes';

const FOUR: Applies = { strokes: [4] };
const LIFTS_HEAD = ['head-off'];

/** Timing, compression, oil and starting. What stops it from turning is heard first, then what leaves no compression at all. */
export const ENGINE_FAULTS = {
  'rings-seized': {
    says: 'Rings seized to the bore', lane: 'compression', family: 'rings-and-bore', perThousand: 4, rank: 1, strains: { damp: 1.8 }, repair: { says: 'Oil the cylinder, wait hours, work it gently; hone if it must be', minutes: 90, partsCents: 1500, setUps: LIFTS_HEAD },
    shows: { starting: { 'will-not-turn': 0.95 }, 'recoil-feel': { locked: 0.9, drags: 0.06 }, starter: { dead: 0.5, slow: 0.2 }, 'compression-feel': { locked: 0.92 }, 'bore-camera': { 'scored-or-rust': 0.7 } },
  },
  'flywheel-magnet-loose': {
    says: 'Magnet loose in the flywheel', lane: 'timing', family: 'flywheel', perThousand: 1, rank: 2, strains: { age: 0.3 }, repair: { says: 'Replace the flywheel', minutes: 25, partsCents: 6500, setUps: ['cowl-off', 'flywheel-off'] },
    shows: { 'flywheel-magnet': { loose: 0.97 }, 'recoil-feel': { 'stops-part-way': 0.5, locked: 0.22 }, starting: { 'will-not-turn': 0.45, 'will-not-fire': 0.28 }, 'magnet-at-top': { off: 0.35 }, 'kick-back': { yes: 0.2 }, 'spark-inline': { weak: 0.2, none: 0.2 }, 'spark-set-gap': { fails: 0.2, none: 0.2 }, 'air-gap': { rubs: 0.35 }, 'compression-feel': { locked: 0.3 } },
  },
  'recoil-jammed': {
    says: 'Recoil starter jammed', lane: 'machine', family: 'starting-gear', when: { start: ['recoil', 'both'] }, perThousand: 7, rank: 3, strains: { damp: 0.3, age: 0.2 }, repair: { says: 'Take the recoil off, free it or a new spring', minutes: 22, partsCents: 1500 },
    shows: { 'recoil-feel': { locked: 0.45, 'stops-part-way': 0.28, drags: 0.22 }, starting: { 'will-not-turn': 0.72, hard: 0.06 } },
  },
  'starter-failed': {
    says: 'Electric starter failed', lane: 'machine', family: 'starting-gear', when: { start: ['electric', 'both'] }, perThousand: 6, rank: 19, strains: { age: 0.3 }, repair: { says: 'Replace the starter or its solenoid', minutes: 25, partsCents: 7000 }, caution: 'battery',
    shows: { starter: { dead: 0.74, slow: 0.22 }, starting: { 'will-not-turn': 0.6 } },
  },
  'piston-holed': {
    says: 'Piston holed', lane: 'compression', family: 'rings-and-bore', perThousand: 1, rank: 4, repair: { says: 'Piston, rings and bore, or another engine', minutes: 180, partsCents: 9000, setUps: LIFTS_HEAD },
    shows: { compression: { failed: 0.97 }, 'compression-feel': { none: 0.78, weak: 0.18 }, 'leak-down': { failed: 0.98 }, 'leak-place': { breather: 0.93 }, 'bore-camera': { hole: 0.96 }, starting: { 'will-not-fire': 0.88 }, 'recoil-feel': { 'no-resistance': 0.72 }, 'fuel-put-in': { nothing: 0.72, 'pops-only': 0.12 }, smoke: { blue: 0.3 }, 'oil-look': { dirty: 0.3 } },
  },
  'valve-stuck': {
    says: 'Valve stuck', lane: 'compression', family: 'valves', when: FOUR, perThousand: 6, rank: 5, strains: { gum: 0.6, damp: 0.9 }, repair: { says: 'Free the valve, clean the guide', minutes: 45, partsCents: 500, setUps: ['valve-cover-off'] },
    shows: { 'valve-motion': { 'one-stuck': 0.94 }, compression: { failed: 0.82, worn: 0.12 }, 'compression-feel': { none: 0.58, weak: 0.3 }, 'leak-down': { failed: 0.88, worn: 0.08 }, 'leak-place': { exhaust: 0.5, intake: 0.42 }, starting: { 'will-not-fire': 0.66, hard: 0.2 }, 'recoil-feel': { 'no-resistance': 0.58 }, 'fuel-put-in': { nothing: 0.35, 'pops-only': 0.35 }, throttle: { 'pops-back': 0.15 }, 'valve-lash': { loose: 0.3 } },
  },
  'push-rod-bent': {
    says: 'Push rod bent', lane: 'compression', family: 'valves', when: FOUR, perThousand: 3, rank: 6, repair: { says: 'New push rod; ask why it bent', minutes: 14, partsCents: 900, setUps: ['valve-cover-off'] },
    shows: { 'valve-motion': { 'rod-bent': 0.95 }, starting: { 'will-not-fire': 0.62, hard: 0.18 }, 'fuel-put-in': { nothing: 0.4, 'pops-only': 0.4 }, 'valve-lash': { loose: 0.62 }, throttle: { 'pops-back': 0.32 }, compression: { failed: 0.32, worn: 0.2 }, 'compression-feel': { weak: 0.35, none: 0.12 }, 'plug-look': { 'wet-fuel': 0.2, 'dry-clean': 0.2 }, 'under-load': { bogs: 0.2 } },
  },
  'flywheel-key-sheared': {
    says: 'Flywheel key sheared', lane: 'timing', family: 'flywheel', perThousand: 8, rank: 7, repair: { says: 'New key, taper clean, nut to its torque', minutes: 10, partsCents: 400, setUps: ['cowl-off', 'flywheel-off'] },
    shows: { 'flywheel-key': { sheared: 0.97 }, 'magnet-at-top': { off: 0.94 }, 'kick-back': { yes: 0.5 }, starting: { 'will-not-fire': 0.62, hard: 0.24 }, 'fuel-put-in': { nothing: 0.45, 'pops-only': 0.46 }, throttle: { 'pops-back': 0.32 }, 'under-load': { bogs: 0.2 }, 'plug-look': { 'wet-fuel': 0.3 } },
  },
  'rings-broken': {
    says: 'Rings broken', lane: 'compression', family: 'rings-and-bore', perThousand: 2, rank: 8, strains: { age: 0.5 }, repair: { says: 'Rings and hone', minutes: 150, partsCents: 3500, setUps: LIFTS_HEAD },
    shows: { compression: { failed: 0.48, worn: 0.4 }, 'compression-wet': { rises: 0.58 }, 'compression-feel': { weak: 0.6, none: 0.15 }, 'leak-down': { failed: 0.72, worn: 0.22 }, 'leak-place': { breather: 0.92 }, 'bore-camera': { 'scored-or-rust': 0.5 }, smoke: { blue: 0.5 }, 'plug-look': { oily: 0.46 }, 'under-load': { bogs: 0.42 }, starting: { hard: 0.4, 'will-not-fire': 0.2 }, 'oil-level': { low: 0.3 } },
  },
  'bore-rusted': {
    says: 'Bore rusted', lane: 'compression', family: 'rings-and-bore', perThousand: 3, rank: 9, strains: { damp: 1.6 }, repair: { says: 'Hone, or another engine', minutes: 140, partsCents: 2500, setUps: LIFTS_HEAD },
    shows: { 'bore-camera': { 'scored-or-rust': 0.95 }, compression: { worn: 0.45, failed: 0.32 }, 'compression-wet': { rises: 0.65 }, 'compression-feel': { weak: 0.55 }, 'leak-down': { worn: 0.4, failed: 0.42 }, 'leak-place': { breather: 0.85 }, 'recoil-feel': { drags: 0.32 }, starting: { hard: 0.35, 'will-not-fire': 0.22 }, smoke: { blue: 0.2 } },
  },
  'valve-burnt-or-leaks': {
    says: 'Valve burnt or leaking', lane: 'compression', family: 'valves', when: FOUR, perThousand: 6, rank: 10, strains: { age: 0.5 }, repair: { says: 'Lap or replace the valve, set the lash', minutes: 110, partsCents: 2500, setUps: LIFTS_HEAD },
    shows: { compression: { failed: 0.42, worn: 0.46 }, 'leak-down': { failed: 0.62, worn: 0.32 }, 'leak-place': { exhaust: 0.66, intake: 0.28 }, 'compression-feel': { weak: 0.52, none: 0.12 }, starting: { hard: 0.42, 'will-not-fire': 0.2 }, throttle: { 'pops-back': 0.28 }, 'under-load': { bogs: 0.38 }, choke: { 'needs-choke': 0.2 }, idle: { rough: 0.32 }, 'recoil-feel': { 'no-resistance': 0.15 } },
  },
  'head-gasket-leak': {
    says: 'Head gasket leaks', lane: 'compression', family: 'head-gasket', perThousand: 8, rank: 11, strains: { age: 0.3, opened: 0.4 }, repair: { says: 'New head gasket, faces flat, tightened in steps', minutes: 30, partsCents: 1500, setUps: LIFTS_HEAD },
    shows: { 'leak-place': { 'head-joint': 0.84, breather: 0.1 }, compression: { worn: 0.52, failed: 0.22 }, 'leak-down': { worn: 0.48, failed: 0.38 }, 'compression-feel': { weak: 0.4 }, 'under-load': { bogs: 0.38 }, smoke: { white: 0.15, blue: 0.15 }, starting: { hard: 0.38 }, idle: { rough: 0.18 }, choke: { 'needs-choke': 0.12 } },
  },
  'valve-lash-tight': {
    says: 'Valve lash tight', lane: 'compression', family: 'valves', when: FOUR, perThousand: 9, rank: 12, strains: { overdue: 0.5, age: 0.2 }, repair: { says: 'Set the lash', minutes: 10, partsCents: 0, setUps: ['valve-cover-off'] },
    shows: { 'valve-lash': { tight: 0.97 }, compression: { worn: 0.48, failed: 0.18, acceptable: 0.2 }, 'leak-down': { worn: 0.42, failed: 0.2 }, 'leak-place': { exhaust: 0.42, intake: 0.25 }, starting: { hard: 0.6, 'will-not-fire': 0.12 }, 'compression-feel': { weak: 0.38 }, idle: { rough: 0.2 }, throttle: { 'pops-back': 0.12 } },
  },
  'valve-recessed': {
    says: 'Valve sunk in its seat', lane: 'compression', family: 'valves', when: FOUR, perThousand: 2, rank: 13, strains: { age: 0.5, opened: 0.3 }, repair: { says: 'Seat and stem work, or another head', minutes: 130, partsCents: 4500, setUps: LIFTS_HEAD },
    shows: { 'valve-lash': { tight: 0.65 }, compression: { worn: 0.45, failed: 0.3 }, 'leak-down': { worn: 0.4, failed: 0.4 }, 'leak-place': { exhaust: 0.5, intake: 0.28 }, starting: { hard: 0.45, 'will-not-fire': 0.12 }, 'compression-feel': { weak: 0.42 }, 'under-load': { bogs: 0.25 } },
  },
  'release-stuck': {
    says: 'Compression release stuck', lane: 'compression', family: 'valves', when: { strokes: [4], release: [true] }, perThousand: 3, rank: 14, strains: { gum: 0.3 }, repair: { says: 'Open it to the camshaft: free or replace the release', minutes: 120, partsCents: 4000 },
    shows: { 'valve-motion': { 'no-release-bump': 0.35 }, compression: { worn: 0.45, failed: 0.32 }, 'compression-feel': { weak: 0.5, none: 0.08 }, 'recoil-feel': { 'no-resistance': 0.35, 'stops-part-way': 0.08 }, starting: { hard: 0.48, 'will-not-fire': 0.12 }, 'kick-back': { yes: 0.15 }, 'leak-place': { exhaust: 0.2 }, 'under-load': { bogs: 0.2 } },
  },
  'rings-worn': {
    says: 'Rings worn', lane: 'compression', family: 'rings-and-bore', perThousand: 12, rank: 15, strains: { age: 0.9, overdue: 0.4 }, repair: { says: 'Rings and hone', minutes: 150, partsCents: 3500, setUps: LIFTS_HEAD },
    shows: { compression: { worn: 0.6, failed: 0.15, acceptable: 0.18 }, 'compression-wet': { rises: 0.87 }, 'leak-down': { worn: 0.62, failed: 0.26 }, 'leak-place': { breather: 0.88 }, smoke: { blue: 0.48 }, 'plug-look': { oily: 0.34 }, 'compression-feel': { weak: 0.52 }, starting: { hard: 0.42, 'will-not-fire': 0.05 }, 'under-load': { bogs: 0.35 }, 'oil-level': { low: 0.32 }, choke: { 'needs-choke': 0.28 }, 'bore-camera': { 'scored-or-rust': 0.3 } },
  },
  'valve-lash-wide': {
    says: 'Valve lash wide', lane: 'compression', family: 'valves', when: FOUR, perThousand: 4, rank: 16, strains: { overdue: 0.6 }, repair: { says: 'Set the lash', minutes: 10, partsCents: 0, setUps: ['valve-cover-off'] },
    shows: { 'valve-lash': { loose: 0.97 }, 'kick-back': { yes: 0.22 }, starting: { hard: 0.38 }, 'valve-motion': { 'no-release-bump': 0.32 }, 'under-load': { bogs: 0.25 }, starter: { slow: 0.2 }, 'recoil-feel': { 'stops-part-way': 0.1 } },
  },
  'oil-over-full': {
    says: 'Oil poured too full', lane: 'compression', family: 'oil', when: FOUR, perThousand: 6, rank: 80, strains: { opened: 0.3 }, repair: { says: 'Let it down to the mark', minutes: 6, partsCents: 0 },
    shows: { 'oil-level': { 'over-full': 0.96 }, smoke: { blue: 0.42, white: 0.22 }, 'plug-look': { oily: 0.36 }, 'air-filter': { 'oil-soaked': 0.42 }, starting: { hard: 0.22, 'will-not-fire': 0.06 }, 'leak-place': { breather: 0.1 } },
  },
  'water-in-oil': {
    says: 'Water in the oil', lane: 'compression', family: 'oil', when: FOUR, perThousand: 3, rank: 81, strains: { damp: 0.8 }, repair: { says: 'Drain, flush, new oil; find the way in', minutes: 25, partsCents: 1200 }, caution: 'do-not-start',
    shows: { 'oil-look': { milky: 0.96 }, 'oil-level': { 'over-full': 0.3 }, smoke: { white: 0.22 }, starting: { hard: 0.12, 'will-not-turn': 0.04 } },
  },
} as const satisfies Readonly<Record<string, Fault>>;
