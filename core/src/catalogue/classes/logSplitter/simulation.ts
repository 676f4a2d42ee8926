import type { SimulatedUnit } from '../../shapes';

/** A sound unit of this class as the simulated load bank shows it (judgement). */
export const SIMULATION: SimulatedUnit = {
  rpm: 3600,
  rpmRating: 'top-speed',
  channels: {
    pressure: { none: 28, full: 205, power: 0.5, by: 'pressure', digits: 1, rating: 'pressure' },
    cycle: { none: 12.4, full: 14, power: -1, by: 'cycle', digits: 1, rating: 'cycle' },
  },
};
