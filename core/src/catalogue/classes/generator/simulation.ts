import type { SimulatedUnit } from '../../shapes';

/** A sound unit of this class as the simulated load bank shows it (judgement). */
export const SIMULATION: SimulatedUnit = {
  rpm: 3750,
  rpmRating: 'hertz',
  channels: {
    hertz: { none: 62.5, full: 62.5, power: 1, digits: 2, rating: 'hertz' },
    volts: { none: 121, full: 122, power: 1, by: 'output', digits: 1, rating: 'volts' },
    amperes: { none: 0, full: 25, power: 0, digits: 1 },
  },
};
