import type { Applies, Fault } from '../shapes';

const PW: Applies = { classes: ['pressure-washer'] };
const GE: Applies = { classes: ['generator'] };
const SN: Applies = { classes: ['snowblower'] };
const LS: Applies = { classes: ['log-splitter'] };
const WE: Applies = { classes: ['welder'] };
const BELT: Applies = { classes: ['tiller', 'snowblower'] };
const BRUSH: Applies = { classes: ['generator', 'welder'] };
const END_COVER = ['end-cover-off'];
const BELT_COVER = ['belt-cover-off'];

/** The driven machines. */
export const DRIVEN_FAULTS = {
  'pump-no-water': {
    says: 'Pump gets no water', lane: 'machine', family: 'water-pump', when: PW, perThousand: 25, rank: 90, repair: { says: 'Water on, screen clear, hose straight', minutes: 5, partsCents: 0 }, caution: 'high-pressure-water',
    shows: { 'water-supply': { poor: 0.62 }, 'pump-inlet': { blocked: 0.42 }, pressure: { none: 0.45, low: 0.25, pulses: 0.2 }, 'nozzle-flow': { blocked: 0.25 } },
  },
  'pump-draws-air': {
    says: 'Pump draws air', lane: 'machine', family: 'water-pump', when: PW, perThousand: 14, rank: 91, repair: { says: 'New inlet washer or hose', minutes: 6, partsCents: 400 }, caution: 'high-pressure-water',
    shows: { 'pump-inlet': { 'draws-air': 0.92 }, pressure: { pulses: 0.62, low: 0.25, none: 0.06 }, intermittent: { 'comes-and-goes': 0.3 } },
  },
  'unloader-stuck': {
    says: 'Unloader stuck', lane: 'machine', family: 'water-pump', when: PW, perThousand: 22, rank: 92, strains: { damp: 0.4, gum: 0.2 }, repair: { says: 'Clean the unloader, new seals', minutes: 25, partsCents: 2200 }, caution: 'high-pressure-water',
    shows: { unloader: { stuck: 0.94 }, pressure: { none: 0.32, low: 0.28, 'drops-on-trigger': 0.3 }, 'under-load': { bogs: 0.2 }, 'load-off': { 'clears-up': 0.3 }, 'recoil-feel': { drags: 0.25 }, starting: { hard: 0.25 } },
  },
  'pump-valves-stuck': {
    says: 'Pump valves stuck', lane: 'machine', family: 'water-pump', when: PW, perThousand: 15, rank: 93, strains: { damp: 0.6, gum: 0.2 }, repair: { says: 'Clean or replace the valves', minutes: 25, partsCents: 2800 }, caution: 'high-pressure-water',
    shows: { 'pump-valves': { stuck: 0.94 }, pressure: { pulses: 0.45, low: 0.4, none: 0.08 }, 'nozzle-flow': { blocked: 0.08 } },
  },
  'pump-seal-failed': {
    says: 'Pump seals failed', lane: 'machine', family: 'water-pump', when: PW, perThousand: 12, rank: 94, strains: { damp: 0.3, age: 0.4 }, repair: { says: 'Seal set and pump oil', minutes: 60, partsCents: 4500 }, caution: 'high-pressure-water',
    shows: { 'pump-oil': { milky: 0.7, low: 0.2 }, 'pump-leak': { weeps: 0.75 }, pressure: { low: 0.52, pulses: 0.2 } },
  },
  'nozzle-worn': {
    says: 'Nozzle worn', lane: 'machine', family: 'water-pump', when: PW, perThousand: 20, rank: 95, strains: { age: 0.3 }, repair: { says: 'New nozzle', minutes: 2, partsCents: 900 },
    shows: { 'nozzle-flow': { worn: 0.95 }, pressure: { low: 0.82 } },
  },
  'nozzle-blocked': {
    says: 'Nozzle blocked', lane: 'machine', family: 'water-pump', when: PW, perThousand: 14, rank: 96, repair: { says: 'Clear the nozzle with the pin', minutes: 3, partsCents: 0 },
    shows: { 'nozzle-flow': { blocked: 0.95 }, pressure: { pulses: 0.35, low: 0.25, 'drops-on-trigger': 0.15 }, 'under-load': { bogs: 0.2 } },
  },
  'breaker-tripped': {
    says: 'Breaker tripped', lane: 'machine', family: 'output', when: GE, perThousand: 20, rank: 90, repair: { says: 'Load off, reset, ask what was plugged in', minutes: 2, partsCents: 0 }, caution: 'electric-shock',
    shows: { breaker: { tripped: 0.96 }, output: { none: 0.94 } },
  },
  'field-lost': {
    says: 'Residual field lost', lane: 'machine', family: 'output', when: BRUSH, perThousand: 9, rank: 91, strains: { gum: 0.4, damp: 0.4 }, repair: { says: 'Flash the field by the manual', minutes: 12, partsCents: 0 }, caution: 'electric-shock',
    shows: { 'residual-field': { lost: 0.95 }, output: { none: 0.88, low: 0.08 }, arc: { none: 0.85 }, 'open-circuit': { none: 0.88 } },
  },
  'brushes-worn': {
    says: 'Brushes worn', lane: 'machine', family: 'output', when: BRUSH, perThousand: 11, rank: 92, strains: { age: 0.6 }, repair: { says: 'New brushes, clean rings', minutes: 14, partsCents: 1800, setUps: END_COVER }, caution: 'electric-shock',
    shows: { brushes: { worn: 0.96 }, output: { none: 0.5, low: 0.25, 'drops-on-load': 0.12 }, arc: { none: 0.4, weak: 0.25, unstable: 0.2 }, 'open-circuit': { none: 0.45, low: 0.3 }, intermittent: { 'comes-and-goes': 0.4 } },
  },
  'winding-failed': {
    says: 'Winding failed', lane: 'machine', family: 'output', when: BRUSH, perThousand: 4, rank: 93, strains: { damp: 0.4 }, repair: { says: 'Rewind or replace: by an electrical shop', minutes: 120, partsCents: 25000, setUps: END_COVER }, caution: 'electric-shock',
    shows: { winding: { open: 0.55, 'to-earth': 0.4 }, output: { none: 0.6, low: 0.28 }, arc: { none: 0.5, weak: 0.3 }, 'open-circuit': { none: 0.5, low: 0.32 }, breaker: { tripped: 0.25 }, 'residual-field': { lost: 0.35 } },
  },
  'regulator-failed': {
    says: 'Voltage regulator failed', lane: 'machine', family: 'output', when: GE, perThousand: 11, rank: 94, strains: { age: 0.2 }, repair: { says: 'Replace the regulator', minutes: 18, partsCents: 7500, setUps: END_COVER }, caution: 'electric-shock',
    shows: { regulator: { failed: 0.95 }, output: { none: 0.4, high: 0.25, low: 0.2, 'drops-on-load': 0.1 } },
  },
  'capacitor-failed': {
    says: 'Capacitor failed', lane: 'machine', family: 'output', when: GE, perThousand: 9, rank: 95, strains: { age: 0.3 }, repair: { says: 'Replace the capacitor', minutes: 12, partsCents: 2200, setUps: END_COVER }, caution: 'electric-shock',
    shows: { capacitor: { failed: 0.96 }, output: { none: 0.42, low: 0.42, 'drops-on-load': 0.1 } },
  },
  'shear-pin-broken': {
    says: 'Shear pin or bolt broken', lane: 'machine', family: 'drive', when: BELT, perThousand: 32, rank: 90, repair: { says: 'New shear pin of its own grade', minutes: 6, partsCents: 300 }, caution: 'moving-parts',
    shows: { 'shear-pin': { broken: 0.97 }, 'shear-bolts': { broken: 0.97 }, tines: { 'do-not-turn': 0.92 }, auger: { 'does-not-turn': 0.88 } },
  },
  'gearbox-failed': {
    says: 'Gearbox failed', lane: 'machine', family: 'drive', when: BELT, perThousand: 5, rank: 91, strains: { age: 0.4 }, repair: { says: 'Open the gearbox', minutes: 120, partsCents: 9000 }, caution: 'moving-parts',
    shows: { gearbox: { noisy: 0.6, 'low-oil': 0.3 }, tines: { 'do-not-turn': 0.6 }, auger: { 'does-not-turn': 0.5, stalls: 0.25 }, 'under-load': { bogs: 0.35 }, 'load-off': { 'clears-up': 0.6 }, 'recoil-feel': { drags: 0.12 } },
  },
  'belt-worn': {
    says: 'Belt worn', lane: 'machine', family: 'drive', when: BELT, perThousand: 26, rank: 92, strains: { age: 0.5, overdue: 0.3 }, repair: { says: 'New belt, set the tension', minutes: 22, partsCents: 2400, setUps: BELT_COVER }, caution: 'moving-parts',
    shows: { belt: { worn: 0.74, slipping: 0.22 }, tines: { 'do-not-turn': 0.5 }, auger: { stalls: 0.5, 'does-not-turn': 0.28 }, throw: { short: 0.55 }, travel: { slips: 0.3, none: 0.08 } },
  },
  'belt-wrong-or-misaligned': {
    says: 'Belt wrong or out of line', lane: 'machine', family: 'drive', when: BELT, perThousand: 8, rank: 93, strains: { opened: 1.0 }, repair: { says: 'The right belt, sheaves in line', minutes: 25, partsCents: 2400, setUps: BELT_COVER }, caution: 'moving-parts',
    shows: { belt: { 'too-tight': 0.45, slipping: 0.35, worn: 0.12 }, tines: { 'turn-in-neutral': 0.5, 'do-not-turn': 0.12 }, auger: { stalls: 0.3 }, throw: { short: 0.25 }, 'under-load': { bogs: 0.2 }, 'load-off': { 'clears-up': 0.4 }, 'recoil-feel': { drags: 0.3 }, 'last-repair': { 'unknown-hand': 0.2 } },
  },
  'sheave-worn': {
    says: 'Sheave worn', lane: 'machine', family: 'drive', when: BELT, perThousand: 5, rank: 94, strains: { age: 0.5 }, repair: { says: 'New sheave and belt', minutes: 35, partsCents: 4200, setUps: BELT_COVER }, caution: 'moving-parts',
    shows: { sheave: { worn: 0.95 }, belt: { slipping: 0.45, worn: 0.35 }, tines: { 'do-not-turn': 0.25 }, auger: { stalls: 0.42 }, throw: { short: 0.42 }, travel: { slips: 0.25 } },
  },
  'friction-disc-worn': {
    says: 'Friction disc worn', lane: 'machine', family: 'drive', when: SN, perThousand: 18, rank: 95, strains: { age: 0.5 }, repair: { says: 'New friction rubber', minutes: 40, partsCents: 3200, setUps: BELT_COVER }, caution: 'moving-parts',
    shows: { 'friction-disc': { worn: 0.96 }, travel: { slips: 0.68, none: 0.24 } },
  },
  'scraper-worn': {
    says: 'Scraper or skids worn', lane: 'machine', family: 'wear-edge', when: SN, perThousand: 18, rank: 96, strains: { age: 0.3 }, repair: { says: 'Turn or replace scraper and skids', minutes: 20, partsCents: 3500 },
    shows: { 'scraper-skids': { worn: 0.96 }, throw: { short: 0.15 } },
  },
  'chute-seized': {
    says: 'Chute seized', lane: 'machine', family: 'wear-edge', when: SN, perThousand: 9, rank: 97, strains: { damp: 0.9 }, repair: { says: 'Free and grease the chute', minutes: 15, partsCents: 200 }, caution: 'moving-parts',
    shows: { chute: { seized: 0.97 }, throw: { short: 0.12 } },
  },
  'coupling-slips': {
    says: 'Pump coupling slips', lane: 'machine', family: 'hydraulics', when: LS, perThousand: 9, rank: 90, repair: { says: 'Key, screws and spider', minutes: 22, partsCents: 1800 }, caution: 'moving-parts',
    shows: { 'pump-coupling': { slips: 0.95 }, ram: { 'does-not-move': 0.62, slow: 0.2, 'no-force': 0.15 }, intermittent: { 'comes-and-goes': 0.3 } },
  },
  'hydraulic-hose-leak': {
    says: 'Hydraulic hose leaks', lane: 'machine', family: 'hydraulics', when: LS, perThousand: 15, rank: 91, strains: { age: 0.5 }, repair: { says: 'New hose, pressure off first', minutes: 25, partsCents: 4500 }, caution: 'hydraulic-injection',
    shows: { 'hydraulic-leak': { weeps: 0.96 }, fluid: { low: 0.5 }, ram: { slow: 0.15 } },
  },
  'fluid-low': {
    says: 'Hydraulic fluid low', lane: 'machine', family: 'hydraulics', when: LS, perThousand: 18, rank: 92, repair: { says: 'Fill to the mark, find where it went', minutes: 8, partsCents: 2000 }, caution: 'hydraulic-injection',
    shows: { fluid: { low: 0.92, foams: 0.06 }, ram: { slow: 0.42, 'does-not-move': 0.18, 'no-force': 0.12 }, 'hydraulic-leak': { weeps: 0.3 } },
  },
  'fluid-aerated': {
    says: 'Air in the hydraulic fluid', lane: 'machine', family: 'hydraulics', when: LS, perThousand: 7, rank: 93, repair: { says: 'Tighten the suction side, let it settle', minutes: 15, partsCents: 500 }, caution: 'hydraulic-injection',
    shows: { fluid: { foams: 0.94 }, ram: { slow: 0.55, 'no-force': 0.15 } },
  },
  'second-stage-stuck': {
    says: 'Second stage stuck', lane: 'machine', family: 'hydraulics', when: LS, perThousand: 8, rank: 94, repair: { says: 'Clean the pump’s unloading valve, or replace the pump', minutes: 45, partsCents: 9000 }, caution: 'hydraulic-injection',
    shows: { 'second-stage': { stuck: 0.95 }, ram: { 'no-force': 0.62, slow: 0.25 }, 'under-load': { bogs: 0.28, dies: 0.14 }, 'load-off': { 'clears-up': 0.4 } },
  },
  'relief-low': {
    says: 'Relief set low', lane: 'machine', family: 'hydraulics', when: LS, perThousand: 9, rank: 95, strains: { opened: 0.3 }, repair: { says: 'Set the relief by the manual, gauge on', minutes: 14, partsCents: 0 }, caution: 'hydraulic-injection',
    shows: { relief: { low: 0.96 }, ram: { 'no-force': 0.88 } },
  },
  'ram-seal-by-passes': {
    says: 'Ram seal by-passes', lane: 'machine', family: 'hydraulics', when: LS, perThousand: 11, rank: 96, strains: { age: 0.5 }, repair: { says: 'New ram seals', minutes: 90, partsCents: 4500 }, caution: 'hydraulic-injection',
    shows: { 'ram-seal': { 'by-passes': 0.95 }, ram: { 'no-force': 0.36, creeps: 0.48, slow: 0.1 }, relief: { low: 0.1 } },
  },
  'leads-high-drop': {
    says: 'Leads or clamp drop too much', lane: 'machine', family: 'weld-circuit', when: WE, perThousand: 32, rank: 90, strains: { age: 0.2 }, repair: { says: 'New lug, clamp or holder', minutes: 15, partsCents: 1800 }, caution: 'electric-shock',
    shows: { 'leads-clamp': { 'high-drop': 0.96 }, arc: { weak: 0.48, unstable: 0.4, none: 0.05 } },
  },
  'diodes-failed': {
    says: 'Diodes failed', lane: 'machine', family: 'weld-circuit', when: WE, perThousand: 10, rank: 94, repair: { says: 'New diode pack', minutes: 30, partsCents: 8500, setUps: END_COVER }, caution: 'electric-shock',
    shows: { diodes: { failed: 0.96 }, arc: { unstable: 0.42, weak: 0.35, none: 0.15 }, 'open-circuit': { low: 0.62, none: 0.14 } },
  },
  'range-switch-burnt': {
    says: 'Range switch burnt', lane: 'machine', family: 'weld-circuit', when: WE, perThousand: 9, rank: 95, repair: { says: 'Dress or replace the switch', minutes: 25, partsCents: 4500, setUps: END_COVER }, caution: 'electric-shock',
    shows: { 'range-switch': { burnt: 0.96 }, arc: { weak: 0.38, none: 0.25, unstable: 0.25 }, 'open-circuit': { low: 0.25, none: 0.15 }, intermittent: { 'comes-and-goes': 0.3 } },
  },
  'idle-control-stuck': {
    says: 'Idle control stuck', lane: 'machine', family: 'weld-circuit', when: WE, perThousand: 13, rank: 96, repair: { says: 'Clean and set the idle control', minutes: 18, partsCents: 1500 },
    shows: { 'idle-control': { stuck: 0.95 }, arc: { weak: 0.52, unstable: 0.15 }, 'open-circuit': { low: 0.4 }, speed: { low: 0.5, high: 0.2 } },
  },
} as const satisfies Readonly<Record<string, Fault>>;
