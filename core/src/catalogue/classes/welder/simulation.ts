import type { SimulatedUnit } from '../../shapes';

/** A sound unit of this class as the simulated load bank shows it (judgement). */
export const SIMULATION: SimulatedUnit = {
  rpm: 3750,
  channels: {
    volts: { none: 78, full: 24, power: 1, by: 'output', digits: 1, rating: 'open-circuit' },
    amperes: { none: 0, full: 165, power: 1, by: 'output', digits: 0, rating: 'high-amperes' },
  },
};
