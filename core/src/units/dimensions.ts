/**
 * The units each kind of quantity may be read in, with the factor to its base unit.
 * Factors are exact by definition where the definition is exact.
 * Source: NIST SP 811 (2008), Appendix B.8.
 */
export const DIMENSIONS = {
  length: { m: 1, mm: 0.001, in: 0.0254, thou: 0.0000254 },
  pressure: { Pa: 1, kPa: 1000, bar: 100_000, psi: 6894.757293168361 },
  torque: { 'N·m': 1, 'lbf·ft': 1.3558179483314004, 'lbf·in': 0.1129848290276167 },
  volume: { L: 1, mL: 0.001, 'US gal': 3.785411784, 'US fl oz': 0.0295735295625 },
  flow: { 'L/min': 1, 'US gal/min': 3.785411784 },
  frequency: { Hz: 1 },
  speed: { 'r/min': 1 },
  voltage: { V: 1 },
  current: { A: 1 },
  resistance: { ohm: 1, kohm: 1000, Mohm: 1_000_000 },
  share: { '%': 1 },
  time: { h: 1, min: 1 / 60, s: 1 / 3600 },
} as const;

export type Dimension = keyof typeof DIMENSIONS;
export type UnitOf<D extends Dimension> = keyof (typeof DIMENSIONS)[D] & string;
export type AnyUnit = { [D in Dimension]: UnitOf<D> }[Dimension];
