import type { Applies, Fault } from '../shapes';

const CARB: Applies = { fuel: ['petrol'], carburettor: ['float', 'diaphragm', 'suction'] };

/** Air in, exhaust out, throttle and governor. */
export const AIR_FAULTS = {
  'nest-in-airway': {
    says: 'A nest in the airway', lane: 'air', family: 'air-path', perThousand: 3, rank: 60, strains: { damp: 0.8 }, repair: { says: 'Clear filter box, throat and cowl', minutes: 15, partsCents: 900 },
    shows: { 'air-filter': { nest: 0.94 }, starting: { hard: 0.4, 'will-not-fire': 0.25 }, smoke: { black: 0.4 }, 'under-load': { bogs: 0.5 }, 'plug-look': { sooty: 0.4 } },
  },
  'air-filter-blocked': {
    says: 'Air filter blocked', lane: 'air', family: 'air-path', perThousand: 20, rank: 61, strains: { overdue: 0.8 }, repair: { says: 'New air filter', minutes: 3, partsCents: 900 },
    shows: { 'air-filter': { blocked: 0.76, 'oil-soaked': 0.18 }, smoke: { black: 0.55 }, 'plug-look': { sooty: 0.6 }, 'under-load': { bogs: 0.52, dies: 0.08 }, starting: { hard: 0.25 }, 'throat-covered': { 'runs-worse': 0.45 }, idle: { rough: 0.15 }, output: { 'drops-on-load': 0.3 } },
  },
  'choke-stuck': {
    says: 'Choke sticks', lane: 'air', family: 'choke', when: CARB, perThousand: 8, rank: 62, strains: { gum: 0.4, damp: 0.3 }, repair: { says: 'Free the choke', minutes: 8, partsCents: 0 },
    shows: { 'choke-plate': { sticks: 0.94 }, starting: { hard: 0.5, 'will-not-fire': 0.15, 'fires-then-dies': 0.08 }, smoke: { black: 0.38 }, 'plug-look': { sooty: 0.28, 'wet-fuel': 0.25 }, choke: { 'choke-makes-no-difference': 0.5 }, 'throat-covered': { 'runs-better': 0.15, 'runs-worse': 0.3 }, idle: { rough: 0.2 } },
  },
  'choke-misassembled': {
    says: 'Choke link put in backwards', lane: 'air', family: 'choke', when: CARB, perThousand: 2, rank: 63, strains: { opened: 1.8 }, repair: { says: 'Put the choke link in right', minutes: 10, partsCents: 0 },
    shows: { 'choke-plate': { 'works-backwards': 0.95 }, starting: { hard: 0.42, 'will-not-fire': 0.35 }, smoke: { black: 0.35 }, choke: { 'choke-makes-no-difference': 0.35, 'needs-choke': 0.3 }, 'last-repair': { carburettor: 0.45, 'unknown-hand': 0.35 }, 'plug-look': { 'wet-fuel': 0.3, sooty: 0.2 } },
  },
  'intake-leak': {
    says: 'Air leaks into the intake', lane: 'air', family: 'air-leak', perThousand: 8, rank: 64, strains: { opened: 0.8, age: 0.4 }, repair: { says: 'Seal the intake', minutes: 14, partsCents: 900, setUps: ['carb-off'] },
    shows: { 'intake-spray': { 'speed-changes': 0.88 }, idle: { hunts: 0.46, 'will-not-idle': 0.15, 'too-fast': 0.1, rough: 0.12 }, choke: { 'needs-choke': 0.55 }, 'carb-gaskets': { 'torn-or-misplaced': 0.25 }, 'throat-covered': { 'runs-better': 0.58 }, throttle: { 'pops-back': 0.25, hesitates: 0.2 }, 'plug-look': { blistered: 0.28 }, starting: { hard: 0.3 } },
  },
  'air-cleaner-by-passed': {
    says: 'Air goes past the cleaner', lane: 'air', family: 'air-path', perThousand: 3, rank: 65, strains: { opened: 0.9 }, repair: { says: 'Build the air cleaner up right', minutes: 8, partsCents: 600 },
    shows: { 'air-filter': { 'by-passed': 0.94 }, 'bore-camera': { 'scored-or-rust': 0.3 }, 'oil-look': { dirty: 0.5 }, compression: { worn: 0.15 } },
  },
  'governor-spring': {
    says: 'Governor spring stretched or in the wrong hole', lane: 'air', family: 'governor', when: { throttle: ['mechanical'] }, perThousand: 8, rank: 66, strains: { opened: 1.2, age: 0.3 }, repair: { says: 'Right spring, right hole, set the speed', minutes: 14, partsCents: 500 },
    shows: { linkage: { 'wrong-hole-or-spring': 0.92 }, idle: { hunts: 0.5, 'too-fast': 0.2 }, speed: { low: 0.38, high: 0.35 }, 'under-load': { bogs: 0.42, dies: 0.04 }, output: { low: 0.25, high: 0.15, 'drops-on-load': 0.25 }, 'last-repair': { carburettor: 0.3, 'unknown-hand': 0.2 } },
  },
  'linkage-binds': {
    says: 'Throttle linkage binds', lane: 'air', family: 'governor', perThousand: 6, rank: 67, strains: { damp: 0.4, opened: 0.5 }, repair: { says: 'Free and oil the links', minutes: 8, partsCents: 0 },
    shows: { linkage: { binds: 0.93 }, idle: { 'too-fast': 0.3, hunts: 0.25 }, throttle: { hesitates: 0.32 }, 'under-load': { bogs: 0.32 }, speed: { low: 0.2, high: 0.25 }, output: { 'drops-on-load': 0.2 } },
  },
  'muffler-blocked': {
    says: 'Muffler blocked', lane: 'air', family: 'air-path', perThousand: 4, rank: 68, strains: { damp: 0.4, age: 0.2 }, repair: { says: 'Clear or replace the muffler', minutes: 14, partsCents: 2500 }, caution: 'hot-parts',
    shows: { muffler: { blocked: 0.94 }, 'under-load': { bogs: 0.58, dies: 0.1 }, starting: { hard: 0.35, 'will-not-fire': 0.1 }, 'plug-look': { sooty: 0.25 }, throttle: { hesitates: 0.22 }, 'runs-for': { 'under-2-min': 0.08 } },
  },
  'idle-misset': {
    says: 'Idle stop set wrong', lane: 'air', family: 'adjustment', perThousand: 6, rank: 69, strains: { opened: 0.9 }, repair: { says: 'Set the idle stop', minutes: 4, partsCents: 0 },
    shows: { idle: { 'too-fast': 0.42, 'will-not-idle': 0.48 }, speed: { high: 0.12, low: 0.1 }, starting: { hard: 0.08 }, tines: { 'turn-in-neutral': 0.05 } },
  },
} as const satisfies Readonly<Record<string, Fault>>;
