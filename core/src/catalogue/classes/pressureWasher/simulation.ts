import type { SimulatedUnit } from '../../shapes';

/** A sound unit of this class as the simulated load bank shows it (judgement). */
export const SIMULATION: SimulatedUnit = {
  rpm: 3600,
  rpmRating: 'top-speed',
  channels: {
    pressure: { none: 12, full: 172, power: 2, by: 'pressure', digits: 1, rating: 'pressure' },
    flow: { none: 0, full: 11.6, power: 1, by: 'flow', digits: 1, rating: 'flow' },
  },
};
