import type { Dimension, UnitOf } from './dimensions';

/** Which units a person wants to read and type. Readings keep the unit they were entered in. */
export type UnitSystem = 'inch' | 'metric';

type Preferred = { readonly [D in Dimension]: UnitOf<D> };

const BOTH = {
  frequency: 'Hz',
  speed: 'r/min',
  voltage: 'V',
  current: 'A',
  resistance: 'ohm',
  share: '%',
  time: 'h',
} as const;

const PREFERRED: { readonly [S in UnitSystem]: Preferred } = {
  inch: {
    ...BOTH,
    length: 'in',
    pressure: 'psi',
    torque: 'lbf·ft',
    volume: 'US gal',
    flow: 'US gal/min',
    power: 'hp',
    force: 'lbf',
    temperature: '°F',
  },
  metric: {
    ...BOTH,
    length: 'mm',
    pressure: 'kPa',
    torque: 'N·m',
    volume: 'L',
    flow: 'L/min',
    power: 'kW',
    force: 'kN',
    temperature: '°C',
  },
};

/** The unit a person of this system expects for a dimension. Example: pressure in the inch system is psi. */
export const preferredUnit = <D extends Dimension>(dimension: D, system: UnitSystem): UnitOf<D> =>
  PREFERRED[system][dimension];
