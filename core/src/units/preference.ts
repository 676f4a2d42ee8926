import type { Dimension, UnitOf } from './dimensions';

/** Which units a person wants to read and type. Readings keep the unit they were entered in. */
export type UnitSystem = 'inch' | 'metric';

const PREFERRED: { readonly [S in UnitSystem]: { readonly [D in Dimension]: UnitOf<D> } } = {
  inch: { length: 'in', pressure: 'psi', torque: 'lbf·ft', volume: 'US gal', frequency: 'Hz', voltage: 'V', time: 'h' },
  metric: { length: 'mm', pressure: 'kPa', torque: 'N·m', volume: 'L', frequency: 'Hz', voltage: 'V', time: 'h' },
};

/** The unit a person of this system expects for a dimension. Example: pressure in the inch system is psi. */
export const preferredUnit = <D extends Dimension>(dimension: D, system: UnitSystem): UnitOf<D> =>
  PREFERRED[system][dimension];
