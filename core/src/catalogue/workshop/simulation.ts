import type { LiveEffect } from '../shapes';

/** What a fault does to the simulated unit, by its family (judgement). Speeds in r/min, shares of the sound value. */
export const LIVE_EFFECTS: Readonly<Record<string, LiveEffect>> = {
  'fuel-supply': { droop: 260, diesAt: 0.7 },
  'fuel-quality': { hunts: 90, droop: 120 },
  'carburettor-passages': { droop: 320, hunts: 60 },
  'float-needle': { hunts: 40, droop: 90 },
  governor: { rpm: -240, hunts: 220, droop: 200 },
  adjustment: { rpm: -120, hunts: 90 },
  'air-leak': { hunts: 180, droop: 140 },
  'air-path': { droop: 200 },
  choke: { droop: 180 },
  plug: { droop: 110, hunts: 70 },
  coil: { droop: 120, diesAt: 0.9 },
  valves: { droop: 240 },
  'rings-and-bore': { droop: 420 },
  'head-gasket': { droop: 300 },
  output: { output: -0.32 },
  'water-pump': { pressure: -0.35, flow: -0.2 },
  'wear-edge': { pressure: -0.22, flow: 0.18 },
  hydraulics: { pressure: -0.4, cycle: 0.7 },
  'weld-circuit': { output: -0.3 },
};
