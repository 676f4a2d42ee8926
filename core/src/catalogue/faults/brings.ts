import type { Brings } from '../shapes';

/**
 * What a fault brings about in the end: of a hundred machines with it, so many have the other by it (judgement). Written by hand, without loops: it is
 * what has to be looked for behind a fault that was seen, or it comes back.
 */
export const BRINGS: Brings = {
  'dirt-in-tank': {
    'inlet-screen-blocked': 0.4,
    'filter-blocked': 0.35,
    'tap-blocked': 0.12,
    'tank-outlet-blocked': 0.15,
    'main-jet-blocked': 0.12,
    'needle-leaks': 0.1,
    'pilot-jet-blocked': 0.08,
  },
  'rusty-tank': {
    'tank-outlet-blocked': 0.15,
    'inlet-screen-blocked': 0.45,
    'filter-blocked': 0.3,
    'main-jet-blocked': 0.1,
    'needle-leaks': 0.08,
  },
  'water-in-fuel': { 'carb-corroded': 0.25, 'rusty-tank': 0.15 },
  'stale-fuel': { 'carb-varnished': 0.3 },
  'carb-varnished': {
    'pilot-jet-blocked': 0.6,
    'main-jet-blocked': 0.5,
    'emulsion-tube-blocked': 0.5,
    'float-stuck': 0.3,
    'needle-stuck-shut': 0.3,
  },
  'carb-corroded': { 'main-jet-blocked': 0.35, 'pilot-jet-blocked': 0.35, 'seat-swollen': 0.2 },
  'seat-swollen': { 'needle-leaks': 0.35, 'needle-stuck-shut': 0.3 },
  'needle-leaks': { 'oil-over-full': 0.5 },
  'float-broken': { 'oil-over-full': 0.45 },
  'float-stuck': { 'oil-over-full': 0.38 },
  'water-in-oil': { 'oil-over-full': 0.3 },
  'oil-over-full': { 'air-filter-blocked': 0.42 },
  'air-cleaner-by-passed': { 'rings-worn': 0.15 },
  'rings-worn': { 'oil-low': 0.32 },
  'rings-broken': { 'oil-low': 0.3 },
  'plug-worn-or-cracked': { 'plug-gap-wide': 0.1 },
  'condenser-failed': { 'points-oxidised': 0.25 },
  'magnet-or-coil-rust': { 'air-gap-wrong': 0.3 },
  'flywheel-magnet-loose': { 'air-gap-wrong': 0.35 },
  'charging-failed': { 'battery-weak': 0.6 },
  'battery-terminals-loose': { 'fuel-solenoid-no-power': 0.2 },
  'earth-poor': { 'fuel-solenoid-no-power': 0.2 },
  'battery-weak': { 'fuel-solenoid-no-power': 0.12 },
  'valve-stuck': { 'push-rod-bent': 0.3 },
  'push-rod-bent': { 'valve-lash-wide': 0.5 },
  'valve-recessed': { 'valve-lash-tight': 0.65 },
  'hydraulic-hose-leak': { 'fluid-low': 0.5 },
  'fluid-low': { 'fluid-aerated': 0.15 },
  'winding-failed': { 'breaker-tripped': 0.25, 'field-lost': 0.3 },
  'sheave-worn': { 'belt-worn': 0.35 },
  'belt-wrong-or-misaligned': { 'belt-worn': 0.15 },
};
