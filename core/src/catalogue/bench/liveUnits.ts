/** What a channel of the bench's instruments shows: at no load and at full, straight between. */
export interface LiveChannel {
  readonly none: number;
  readonly full: number;
  /** Goes with so high a power of the engine's speed. */
  readonly power: number;
  /** What of a fault bears on it. */
  readonly by?: 'output' | 'pressure' | 'flow' | 'cycle';
  readonly digits: number;
}

/** A sound simulated unit of each class, for the stand-in of the load bank (judgement). Speed, r/min, has every class. */
export const LIVE_UNITS: Readonly<Record<string, Readonly<Record<string, LiveChannel>>>> = {
  generator: {
    hertz: { none: 62.5, full: 62.5, power: 1, digits: 2 },
    volts: { none: 121, full: 122, power: 1, by: 'output', digits: 1 },
    amperes: { none: 0, full: 25, power: 0, digits: 1 },
  },
  'pressure-washer': {
    pressure: { none: 12, full: 172, power: 2, by: 'pressure', digits: 1 },
    flow: { none: 0, full: 11.6, power: 1, by: 'flow', digits: 1 },
  },
  'log-splitter': {
    pressure: { none: 28, full: 205, power: 0.5, by: 'pressure', digits: 1 },
    cycle: { none: 12.4, full: 14, power: -1, by: 'cycle', digits: 1 },
  },
  welder: {
    volts: { none: 78, full: 24, power: 1, by: 'output', digits: 1 },
    amperes: { none: 0, full: 165, power: 1, by: 'output', digits: 0 },
  },
  tiller: {},
  snowblower: {},
};

/** Speed without load, r/min: sets are governed a little over sixty hertz, other engines at their usual top. */
export const LIVE_RPM: Readonly<Record<string, number>> = {
  generator: 3750,
  'pressure-washer': 3600,
  'log-splitter': 3600,
  welder: 3750,
  tiller: 3600,
  snowblower: 3600,
};

/** What a fault does to the simulated unit, by its family (judgement). Speeds in r/min, shares of the sound value. */
export interface LiveEffect {
  readonly rpm?: number;
  /** It falls by so much more to full load. */
  readonly droop?: number;
  readonly hunts?: number;
  readonly output?: number;
  readonly pressure?: number;
  readonly flow?: number;
  readonly cycle?: number;
  /** Under more load than this it dies. */
  readonly diesAt?: number;
}

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
