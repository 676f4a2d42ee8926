import type { SimulatedUnit } from '../../shapes';

/** A sound unit of this class as the simulated load bank shows it (judgement). */
export const SIMULATION: SimulatedUnit = { rpm: 3600, rpmRating: 'top-speed', channels: {} };
