import type { Applies, Fault } from '../shapes';

const PETROL: Applies = { fuel: ['petrol'] };
const FLOAT: Applies = { fuel: ['petrol'], carburettor: ['float'] };
const CARB: Applies = { fuel: ['petrol'], carburettor: ['float', 'diaphragm', 'suction'] };

/** Tank, hose, supply and carburettor. */
export const FUEL_FAULTS = {
  'fuel-low-or-off': {
    says: 'Fuel low, or the tap shut', lane: 'fuel', family: 'fuel-supply', when: PETROL, perThousand: 22, rank: 30, repair: { says: 'Fill it, open the tap', minutes: 2, partsCents: 300 },
    shows: { 'fuel-tap': { off: 0.5 }, 'tank-look': { 'low-for-pick-up': 0.48 }, starting: { 'will-not-fire': 0.42, 'fires-then-dies': 0.43 }, 'runs-for': { 'under-2-min': 0.45, '2-to-10-min': 0.1 }, 'bowl-drain': { empty: 0.85 }, 'flow-at-hose': { none: 0.75, weak: 0.18 }, 'fuel-put-in': { 'fires-then-dies': 0.92 }, 'plug-look': { 'dry-clean': 0.75 }, primer: { 'no-fuel': 0.6 }, choke: { 'choke-makes-no-difference': 0.35 } },
  },
  'tap-blocked': {
    says: 'Fuel tap blocked', lane: 'fuel', family: 'fuel-supply', when: PETROL, perThousand: 5, rank: 31, strains: { gum: 0.7, damp: 0.5 }, repair: { says: 'Clean or replace the tap', minutes: 18, partsCents: 1400 }, caution: 'fuel-vapour',
    shows: { 'flow-at-hose': { none: 0.45, weak: 0.5 }, 'bowl-drain': { empty: 0.6 }, starting: { 'will-not-fire': 0.25, 'fires-then-dies': 0.3 }, 'runs-for': { 'under-2-min': 0.3, '2-to-10-min': 0.25 }, 'fuel-put-in': { 'fires-then-dies': 0.8 }, 'under-load': { dies: 0.3 }, 'plug-look': { 'dry-clean': 0.4 } },
  },
  'fuel-pump-failed': {
    says: 'Fuel pump failed', lane: 'fuel', family: 'fuel-supply', when: PETROL, perThousand: 4, rank: 32, strains: { age: 0.5 }, repair: { says: 'Replace the pulse pump and its hose', minutes: 20, partsCents: 2600 }, caution: 'fuel-vapour',
    shows: { 'flow-at-hose': { none: 0.55, weak: 0.38 }, 'bowl-drain': { empty: 0.75 }, starting: { 'will-not-fire': 0.35, 'fires-then-dies': 0.35 }, 'runs-for': { 'under-2-min': 0.4, '2-to-10-min': 0.2 }, 'fuel-put-in': { 'fires-then-dies': 0.88 }, 'under-load': { dies: 0.4, bogs: 0.2 }, 'plug-look': { 'dry-clean': 0.5 } },
  },
  'hose-kinked': {
    says: 'Fuel hose kinked', lane: 'fuel', family: 'fuel-supply', when: PETROL, perThousand: 4, rank: 33, strains: { opened: 1.1 }, repair: { says: 'Lay a new hose', minutes: 8, partsCents: 500 }, caution: 'fuel-vapour',
    shows: { hose: { kinked: 0.88 }, 'flow-at-hose': { weak: 0.5, none: 0.42 }, 'bowl-drain': { empty: 0.6 }, 'runs-for': { 'under-2-min': 0.35, '2-to-10-min': 0.25 }, starting: { 'fires-then-dies': 0.3, 'will-not-fire': 0.2 }, 'under-load': { dies: 0.35 }, 'fuel-put-in': { 'fires-then-dies': 0.8 }, 'last-repair': { carburettor: 0.25, 'unknown-hand': 0.25 } },
  },
  'cap-vent-blocked': {
    says: 'Cap vent blocked', lane: 'fuel', family: 'fuel-supply', when: PETROL, perThousand: 8, rank: 34, repair: { says: 'Clear or replace the cap', minutes: 3, partsCents: 1200 },
    shows: { 'cap-vent': { blocked: 0.94 }, 'runs-for': { '10-to-30-min': 0.45, '2-to-10-min': 0.35, 'under-2-min': 0.05 }, 'under-load': { dies: 0.3, bogs: 0.2 }, 'flow-at-hose': { weak: 0.5, none: 0.15 }, intermittent: { 'comes-and-goes': 0.5 }, 'bowl-drain': { empty: 0.35 }, starting: { hard: 0.1, 'fires-then-dies': 0.15 }, 'throat-covered': { 'runs-better': 0.3 }, 'fuel-put-in': { 'fires-then-dies': 0.4 } },
  },
  'hose-perished': {
    says: 'Fuel hose perished', lane: 'fuel', family: 'fuel-supply', when: PETROL, perThousand: 10, rank: 35, strains: { age: 0.8, ethanol: 0.4, gum: 0.2 }, repair: { says: 'Lay new hoses and clamps', minutes: 12, partsCents: 700 }, caution: 'fuel-vapour',
    shows: { hose: { 'hard-or-cracked': 0.7, soft: 0.22 }, 'fuel-leak': { 'hose-or-tank': 0.5 }, 'flow-at-hose': { weak: 0.35, none: 0.08 }, 'runs-for': { 'under-2-min': 0.08, '2-to-10-min': 0.2, '10-to-30-min': 0.15 }, starting: { hard: 0.25, 'fires-then-dies': 0.1 }, primer: { 'no-fuel': 0.3 }, idle: { hunts: 0.15 } },
  },
  'filter-blocked': {
    says: 'Fuel filter blocked', lane: 'fuel', family: 'fuel-supply', when: PETROL, perThousand: 12, rank: 36, strains: { gum: 0.5, overdue: 0.5 }, repair: { says: 'New fuel filter', minutes: 6, partsCents: 600 }, caution: 'fuel-vapour',
    shows: { 'fuel-filter': { blocked: 0.93 }, 'flow-at-hose': { weak: 0.72, none: 0.18 }, 'runs-for': { 'under-2-min': 0.1, '2-to-10-min': 0.35, '10-to-30-min': 0.3 }, 'under-load': { bogs: 0.3, dies: 0.4 }, starting: { 'fires-then-dies': 0.2, hard: 0.2 }, 'fuel-put-in': { 'fires-then-dies': 0.55 }, 'bowl-drain': { empty: 0.35 }, 'throat-covered': { 'runs-better': 0.35 }, choke: { 'needs-choke': 0.35 } },
  },
  'needle-stuck-shut': {
    says: 'Float needle stuck shut', lane: 'fuel', family: 'float-needle', when: FLOAT, perThousand: 12, rank: 37, strains: { gum: 0.9, dryness: 1.3 }, repair: { says: 'Free or replace needle and seat', minutes: 9, partsCents: 900, setUps: ['bowl-off'] }, caution: 'fuel-vapour',
    shows: { 'bowl-drain': { empty: 0.92 }, 'needle-blow': { 'does-not-open': 0.92 }, starting: { 'will-not-fire': 0.45, 'fires-then-dies': 0.42 }, 'runs-for': { 'under-2-min': 0.45 }, 'fuel-put-in': { 'fires-then-dies': 0.95 }, 'plug-look': { 'dry-clean': 0.8 }, primer: { 'no-fuel': 0.3 }, choke: { 'choke-makes-no-difference': 0.35 } },
  },
  'inlet-screen-blocked': {
    says: 'Inlet screen blocked', lane: 'fuel', family: 'fuel-supply', when: FLOAT, perThousand: 15, rank: 38, strains: { gum: 0.5, damp: 0.4, opened: 0.2 }, repair: { says: 'Clean the inlet screen', minutes: 6, partsCents: 0, setUps: ['hose-off'] }, caution: 'fuel-vapour',
    shows: { 'inlet-screen': { dirty: 0.96 }, 'bowl-drain': { empty: 0.45 }, 'runs-for': { 'under-2-min': 0.1, '2-to-10-min': 0.28, '10-to-30-min': 0.42 }, 'under-load': { dies: 0.48, bogs: 0.28 }, starting: { 'fires-then-dies': 0.15, hard: 0.08 }, 'fuel-put-in': { 'fires-then-dies': 0.5 }, choke: { 'needs-choke': 0.4 }, 'throat-covered': { 'runs-better': 0.4 }, intermittent: { 'comes-and-goes': 0.35 }, 'load-off': { 'clears-up': 0.4 } },
  },
  'fuel-solenoid-no-power': {
    says: 'No power at the fuel solenoid', lane: 'fuel', family: 'wiring', when: { fuel: ['petrol'], start: ['electric', 'both'], carburettor: ['float'] }, perThousand: 5, rank: 39, repair: { says: 'Find the wire, fuse or key', minutes: 20, partsCents: 500 },
    shows: { solenoid: { 'no-power': 0.96 }, starting: { 'will-not-fire': 0.6, 'fires-then-dies': 0.25 }, 'fuel-put-in': { 'fires-then-dies': 0.9 }, 'plug-look': { 'dry-clean': 0.55 }, intermittent: { 'comes-and-goes': 0.3 } },
  },
  'fuel-solenoid-stuck': {
    says: 'Fuel solenoid stuck', lane: 'fuel', family: 'carburettor-passages', when: { fuel: ['petrol'], start: ['electric', 'both'], carburettor: ['float'] }, perThousand: 9, rank: 40, strains: { gum: 0.8 }, repair: { says: 'Free or replace the solenoid', minutes: 12, partsCents: 2800 },
    shows: { solenoid: { stuck: 0.94 }, starting: { 'will-not-fire': 0.4, 'fires-then-dies': 0.25, hard: 0.1 }, 'under-load': { bogs: 0.3, dies: 0.3 }, idle: { rough: 0.25 }, choke: { 'needs-choke': 0.3 }, 'fuel-put-in': { 'fires-then-dies': 0.8 }, 'throat-covered': { 'runs-better': 0.3 }, 'plug-look': { 'dry-clean': 0.4 }, output: { 'drops-on-load': 0.3 } },
  },
  'carb-varnished': {
    says: 'Carburettor varnished throughout', lane: 'fuel', family: 'carburettor-passages', when: CARB, perThousand: 18, rank: 41, strains: { gum: 1.6 }, repair: { says: 'Strip and bath the carburettor, or replace it', minutes: 55, partsCents: 2200, setUps: ['carb-off'] }, caution: 'fuel-vapour',
    shows: { 'bowl-look': { varnish: 0.92 }, 'main-jet': { blocked: 0.5 }, 'pilot-jet': { blocked: 0.6 }, 'emulsion-tube': { blocked: 0.5 }, starting: { 'will-not-fire': 0.35, 'fires-then-dies': 0.3, hard: 0.2 }, 'needle-blow': { 'does-not-open': 0.3 }, choke: { 'needs-choke': 0.5, 'choke-makes-no-difference': 0.1 }, 'bowl-drain': { empty: 0.25, 'jelly-or-rust': 0.25 }, idle: { hunts: 0.28, 'will-not-idle': 0.2, rough: 0.15 }, 'fuel-put-in': { 'fires-then-dies': 0.8 }, 'throat-covered': { 'runs-better': 0.45 }, float: { sticks: 0.3 }, 'fuel-look': { stale: 0.22 }, 'plug-look': { 'dry-clean': 0.4 } },
  },
  'stale-fuel': {
    says: 'Stale fuel', lane: 'fuel', family: 'fuel-quality', when: PETROL, perThousand: 55, rank: 42, strains: { gum: 1.3 }, repair: { says: 'Drain it, fresh fuel', minutes: 8, partsCents: 500 }, caution: 'fuel-vapour',
    shows: { 'fuel-look': { stale: 0.93 }, starting: { hard: 0.42, 'will-not-fire': 0.22, 'fires-then-dies': 0.1 }, idle: { rough: 0.15, hunts: 0.15 }, 'under-load': { bogs: 0.2 }, 'fuel-put-in': { 'fires-then-dies': 0.4 }, 'plug-look': { 'wet-fuel': 0.3 }, throttle: { hesitates: 0.2 }, choke: { 'needs-choke': 0.2 } },
  },
  'water-in-fuel': {
    says: 'Water in the fuel', lane: 'fuel', family: 'fuel-quality', when: PETROL, perThousand: 28, rank: 43, strains: { ethanol: 0.5, damp: 0.5, gum: 0.2 }, repair: { says: 'Drain tank and bowl, fresh fuel', minutes: 15, partsCents: 500 }, caution: 'fuel-vapour',
    shows: { 'fuel-look': { water: 0.75 }, 'bowl-drain': { water: 0.88 }, 'bowl-look': { water: 0.75 }, starting: { 'will-not-fire': 0.3, hard: 0.25, 'fires-then-dies': 0.22 }, 'runs-for': { 'under-2-min': 0.22, '2-to-10-min': 0.18, '10-to-30-min': 0.05 }, idle: { rough: 0.3, hunts: 0.15 }, 'under-load': { bogs: 0.2, dies: 0.25 }, 'fuel-put-in': { 'fires-then-dies': 0.65 }, intermittent: { 'comes-and-goes': 0.4 }, choke: { 'needs-choke': 0.25 }, throttle: { hesitates: 0.2 }, smoke: { white: 0.06 } },
  },
  'dirt-in-tank': {
    says: 'Dirt in the tank', lane: 'fuel', family: 'fuel-quality', when: PETROL, perThousand: 17, rank: 44, repair: { says: 'Clean out the tank, filter and screen', minutes: 30, partsCents: 800 }, caution: 'fuel-vapour',
    shows: { 'fuel-look': { 'dirt-or-rust': 0.55 }, 'tank-look': { debris: 0.92 }, 'flow-at-hose': { weak: 0.35, none: 0.08 }, 'runs-for': { '2-to-10-min': 0.25, '10-to-30-min': 0.3 }, 'under-load': { bogs: 0.25, dies: 0.28 }, intermittent: { 'comes-and-goes': 0.45 }, 'fuel-filter': { blocked: 0.35 }, 'inlet-screen': { dirty: 0.4 }, 'bowl-drain': { 'jelly-or-rust': 0.3 }, starting: { 'fires-then-dies': 0.15, hard: 0.15 } },
  },
  'rusty-tank': {
    says: 'Rusty tank', lane: 'fuel', family: 'fuel-quality', when: { fuel: ['petrol'], tank: ['metal'] }, perThousand: 22, rank: 45, strains: { damp: 1.2, age: 0.6 }, repair: { says: 'De-rust the tank, or replace it', minutes: 50, partsCents: 2000 }, caution: 'fuel-vapour',
    shows: { 'fuel-look': { 'dirt-or-rust': 0.7 }, 'tank-look': { rust: 0.96 }, 'bowl-drain': { 'jelly-or-rust': 0.45 }, 'fuel-filter': { blocked: 0.3 }, 'inlet-screen': { dirty: 0.45 }, 'runs-for': { '2-to-10-min': 0.2, '10-to-30-min': 0.3 }, 'under-load': { bogs: 0.2, dies: 0.25 }, intermittent: { 'comes-and-goes': 0.35 }, starting: { hard: 0.2, 'fires-then-dies': 0.1 }, 'bowl-look': { corroded: 0.2 } },
  },
  'wrong-mix': {
    says: 'Wrong fuel mix', lane: 'fuel', family: 'fuel-quality', when: PETROL, perThousand: 6, rank: 46, repair: { says: 'Drain, the right fuel', minutes: 8, partsCents: 500 }, caution: 'fuel-vapour',
    shows: { 'fuel-look': { 'wrong-mix': 0.85 }, smoke: { blue: 0.55, white: 0.1 }, 'plug-look': { oily: 0.4, blistered: 0.15 }, starting: { hard: 0.3 }, 'under-load': { bogs: 0.25 } },
  },
  'carb-corroded': {
    says: 'Carburettor corroded', lane: 'fuel', family: 'carburettor-passages', when: CARB, perThousand: 6, rank: 47, strains: { damp: 0.8, ethanol: 0.4, gum: 0.4 }, repair: { says: 'Replace the carburettor', minutes: 25, partsCents: 5500, setUps: ['carb-off'] }, caution: 'fuel-vapour',
    shows: { 'bowl-look': { corroded: 0.9 }, 'bowl-drain': { 'jelly-or-rust': 0.45, water: 0.25 }, 'main-jet': { blocked: 0.35 }, 'pilot-jet': { blocked: 0.35 }, 'seat-look': { 'swollen-or-scored': 0.3 }, 'fuel-leak': { carburettor: 0.2 }, starting: { hard: 0.3, 'will-not-fire': 0.25, 'fires-then-dies': 0.2 }, idle: { hunts: 0.25 }, choke: { 'needs-choke': 0.4 }, 'fuel-put-in': { 'fires-then-dies': 0.6 }, 'throat-covered': { 'runs-better': 0.35 } },
  },
  'main-jet-blocked': {
    says: 'Main jet blocked', lane: 'fuel', family: 'carburettor-passages', when: FLOAT, perThousand: 30, rank: 48, strains: { gum: 1.2, dryness: 0.3 }, repair: { says: 'Clear the main jet', minutes: 8, partsCents: 0, setUps: ['bowl-off'] }, caution: 'fuel-vapour',
    shows: { 'main-jet': { blocked: 0.94 }, 'under-load': { dies: 0.48, bogs: 0.38 }, choke: { 'needs-choke': 0.6 }, throttle: { hesitates: 0.5, 'pops-back': 0.18 }, idle: { hunts: 0.28, rough: 0.12 }, starting: { hard: 0.2, 'fires-then-dies': 0.28, 'will-not-fire': 0.1 }, 'fuel-put-in': { 'fires-then-dies': 0.7 }, 'throat-covered': { 'runs-better': 0.72 }, 'plug-look': { 'dry-clean': 0.25, blistered: 0.15 }, 'runs-for': { 'under-2-min': 0.15 }, 'load-off': { 'clears-up': 0.45 }, output: { 'drops-on-load': 0.5 } },
  },
  'emulsion-tube-blocked': {
    says: 'Emulsion tube blocked', lane: 'fuel', family: 'carburettor-passages', when: FLOAT, perThousand: 12, rank: 49, strains: { gum: 1.2, opened: 0.3 }, repair: { says: 'Clear the emulsion tube', minutes: 10, partsCents: 0, setUps: ['bowl-off'] }, caution: 'fuel-vapour',
    shows: { 'emulsion-tube': { blocked: 0.94 }, idle: { hunts: 0.5, rough: 0.1 }, choke: { 'needs-choke': 0.5 }, throttle: { hesitates: 0.48, 'pops-back': 0.1 }, 'under-load': { bogs: 0.45, dies: 0.15 }, 'throat-covered': { 'runs-better': 0.6 }, starting: { hard: 0.25, 'fires-then-dies': 0.15 }, 'fuel-put-in': { 'fires-then-dies': 0.45 }, 'load-off': { 'clears-up': 0.3 } },
  },
  'pilot-jet-blocked': {
    says: 'Pilot jet blocked', lane: 'fuel', family: 'carburettor-passages', when: CARB, perThousand: 38, rank: 50, strains: { gum: 1.3, dryness: 0.3 }, repair: { says: 'Clear the pilot jet and its passage', minutes: 12, partsCents: 0, setUps: ['carb-off'] }, caution: 'fuel-vapour',
    shows: { 'pilot-jet': { blocked: 0.94 }, idle: { 'will-not-idle': 0.35, hunts: 0.44, rough: 0.12 }, choke: { 'needs-choke': 0.65 }, starting: { hard: 0.4, 'fires-then-dies': 0.2 }, throttle: { hesitates: 0.35, 'pops-back': 0.08 }, 'throat-covered': { 'runs-better': 0.7 }, 'fuel-put-in': { 'fires-then-dies': 0.3 } },
  },
  'seat-swollen': {
    says: 'Needle seat swollen', lane: 'fuel', family: 'float-needle', when: FLOAT, perThousand: 6, rank: 51, strains: { ethanol: 0.4, opened: 0.6, dryness: 0.3 }, repair: { says: 'New needle and seat', minutes: 12, partsCents: 1100, setUps: ['bowl-off'] }, caution: 'fuel-vapour',
    shows: { 'seat-look': { 'swollen-or-scored': 0.88 }, 'runs-for': { 'under-2-min': 0.48, '2-to-10-min': 0.34 }, 'bowl-drain': { empty: 0.35 }, 'needle-blow': { 'does-not-open': 0.4 }, 'under-load': { dies: 0.5, bogs: 0.15 }, starting: { hard: 0.15, 'fires-then-dies': 0.25 }, 'fuel-put-in': { 'fires-then-dies': 0.4 }, choke: { 'needs-choke': 0.35 }, 'throat-covered': { 'runs-better': 0.35 }, 'last-repair': { carburettor: 0.4 } },
  },
  'float-broken': {
    says: 'Float broken or full of fuel', lane: 'fuel', family: 'float-needle', when: FLOAT, perThousand: 2.5, rank: 52, strains: { opened: 1.0, age: 0.4 }, repair: { says: 'New float or body', minutes: 14, partsCents: 2400, setUps: ['bowl-off'] }, consequences: ['oil-diluted', 'hydraulic-lock'], caution: 'do-not-start',
    shows: { float: { 'broken-post': 0.5, 'fuel-inside': 0.46 }, 'fuel-leak': { carburettor: 0.6 }, 'oil-level': { 'over-full': 0.45 }, 'oil-look': { 'smells-of-fuel': 0.55 }, 'plug-look': { 'wet-fuel': 0.5, sooty: 0.2 }, starting: { hard: 0.25, 'will-not-fire': 0.3, 'will-not-turn': 0.05 }, smoke: { black: 0.35 }, 'needle-blow': { leaks: 0.3 }, 'throat-covered': { 'runs-worse': 0.4 }, 'recoil-feel': { 'springy-stop': 0.07, locked: 0.03 } },
  },
  'float-stuck': {
    says: 'Float sticks', lane: 'fuel', family: 'float-needle', when: FLOAT, perThousand: 5, rank: 53, strains: { gum: 0.8, opened: 0.5 }, repair: { says: 'Free the float, set its height', minutes: 10, partsCents: 0, setUps: ['bowl-off'] }, consequences: ['oil-diluted', 'hydraulic-lock'], caution: 'do-not-start',
    shows: { float: { sticks: 0.94 }, 'fuel-leak': { carburettor: 0.45 }, 'oil-level': { 'over-full': 0.38 }, 'oil-look': { 'smells-of-fuel': 0.48 }, 'plug-look': { 'wet-fuel': 0.4, sooty: 0.2 }, starting: { hard: 0.25, 'will-not-fire': 0.25, 'will-not-turn': 0.04 }, 'runs-for': { 'under-2-min': 0.2 }, 'bowl-drain': { empty: 0.2 }, smoke: { black: 0.28 }, 'throat-covered': { 'runs-worse': 0.3 }, 'needle-blow': { leaks: 0.3 }, 'recoil-feel': { 'springy-stop': 0.06, locked: 0.02 } },
  },
  'needle-leaks': {
    says: 'Float needle lets by', lane: 'fuel', family: 'float-needle', when: FLOAT, perThousand: 12, rank: 54, strains: { gum: 0.4, age: 0.4, opened: 0.3 }, repair: { says: 'New needle and seat, new oil', minutes: 14, partsCents: 2000, setUps: ['bowl-off'] }, consequences: ['oil-diluted', 'hydraulic-lock'], caution: 'do-not-start',
    shows: { 'needle-blow': { leaks: 0.92 }, 'fuel-leak': { carburettor: 0.55 }, 'oil-level': { 'over-full': 0.52 }, 'oil-look': { 'smells-of-fuel': 0.64 }, 'plug-look': { 'wet-fuel': 0.48, sooty: 0.2 }, smoke: { black: 0.32, white: 0.1 }, starting: { hard: 0.28, 'will-not-fire': 0.22, 'will-not-turn': 0.07 }, idle: { rough: 0.2 }, 'throat-covered': { 'runs-worse': 0.4 }, 'seat-look': { 'swollen-or-scored': 0.35, 'upside-down': 0.06 }, 'recoil-feel': { 'springy-stop': 0.09, locked: 0.04 } },
  },
  'bowl-face-pitted': {
    says: 'Bowl’s sealing face pitted', lane: 'fuel', family: 'carburettor-passages', when: FLOAT, perThousand: 1.5, rank: 55, strains: { damp: 0.6, ethanol: 0.3 }, repair: { says: 'Dress the face, or replace the carburettor', minutes: 25, partsCents: 3000, setUps: ['bowl-off'] },
    shows: { 'bowl-face': { pitted: 0.94 }, 'plug-look': { 'wet-fuel': 0.4, sooty: 0.3 }, smoke: { black: 0.45 }, 'throat-covered': { 'runs-worse': 0.5 }, 'fuel-leak': { carburettor: 0.15 }, starting: { hard: 0.35, 'will-not-fire': 0.1 }, idle: { rough: 0.3 } },
  },
  'bowl-seal-leak': {
    says: 'Bowl seal leaks', lane: 'fuel', family: 'float-needle', when: FLOAT, perThousand: 5, rank: 56, strains: { opened: 0.9, age: 0.4 }, repair: { says: 'New bowl seal', minutes: 6, partsCents: 400, setUps: ['bowl-off'] }, caution: 'fuel-vapour',
    shows: { 'fuel-leak': { carburettor: 0.93 }, 'carb-gaskets': { 'torn-or-misplaced': 0.4 }, 'last-repair': { carburettor: 0.4 } },
  },
  'inlet-elbow-cracked': {
    says: 'Inlet elbow cracked', lane: 'fuel', family: 'fuel-supply', when: CARB, perThousand: 2, rank: 57, strains: { opened: 0.7, age: 0.5 }, repair: { says: 'New inlet elbow', minutes: 8, partsCents: 700, setUps: ['hose-off'] }, caution: 'fuel-vapour',
    shows: { 'inlet-elbow': { cracked: 0.93 }, 'fuel-leak': { carburettor: 0.65 }, 'bowl-drain': { empty: 0.15 }, 'runs-for': { '2-to-10-min': 0.15 }, starting: { hard: 0.15 } },
  },
  'primer-failed': {
    says: 'Primer failed', lane: 'fuel', family: 'carburettor-passages', when: CARB, perThousand: 6, rank: 58, strains: { age: 0.5, ethanol: 0.2 }, repair: { says: 'New primer bulb and line', minutes: 10, partsCents: 800 },
    shows: { primer: { 'no-fuel': 0.45, 'pulled-off-or-cracked': 0.5 }, starting: { hard: 0.6, 'will-not-fire': 0.15 }, 'fuel-put-in': { 'fires-then-dies': 0.06 } },
  },
  'carb-gasket-leak': {
    says: 'Carburettor gasket leaks', lane: 'air', family: 'air-leak', when: CARB, perThousand: 5, rank: 59, strains: { opened: 1.3, age: 0.3 }, repair: { says: 'New gaskets, in order', minutes: 8, partsCents: 600, setUps: ['carb-off'] },
    shows: { 'carb-gaskets': { 'torn-or-misplaced': 0.92 }, 'intake-spray': { 'speed-changes': 0.65 }, idle: { hunts: 0.4, 'will-not-idle': 0.15, 'too-fast': 0.08, rough: 0.1 }, choke: { 'needs-choke': 0.48 }, 'fuel-leak': { carburettor: 0.12 }, 'throat-covered': { 'runs-better': 0.5 }, throttle: { hesitates: 0.25 }, starting: { hard: 0.25 }, 'last-repair': { carburettor: 0.45, 'unknown-hand': 0.15 } },
  },
  'mixture-misset': {
    says: 'Mixture set wrong', lane: 'fuel', family: 'adjustment', when: CARB, perThousand: 6, rank: 60, strains: { opened: 1.3 }, repair: { says: 'Set the mixture from its base', minutes: 10, partsCents: 0 },
    shows: { idle: { hunts: 0.28, rough: 0.22, 'will-not-idle': 0.2 }, smoke: { black: 0.25 }, 'plug-look': { sooty: 0.28, blistered: 0.18 }, 'throat-covered': { 'runs-better': 0.35, 'runs-worse': 0.3 }, choke: { 'needs-choke': 0.3 }, throttle: { hesitates: 0.35 }, 'last-repair': { carburettor: 0.35, 'unknown-hand': 0.3 } },
  },
  'gas-regulator-failed': {
    says: 'Gas regulator failed', lane: 'fuel', family: 'gas', when: { fuel: ['gas'] }, perThousand: 110, rank: 61, strains: { age: 0.3 }, repair: { says: 'Replace the regulator', minutes: 25, partsCents: 6000 }, caution: 'fuel-vapour',
    shows: { 'gas-smell': { none: 0.75 }, 'throat-covered': { 'runs-better': 0.5 }, starting: { 'will-not-fire': 0.55, hard: 0.25 }, 'under-load': { dies: 0.3, bogs: 0.25 }, idle: { hunts: 0.2, rough: 0.2 }, 'fuel-put-in': { 'fires-then-dies': 0.6 } },
  },
} as const satisfies Readonly<Record<string, Fault>>;
