/**
 * The units each kind of quantity may be read in, with the factor to its base unit.
 * Factors are exact by definition where the definition is exact.
 * Source: NIST SP 811 (2008), Appendix B.8.
 */
export const DIMENSIONS = {
  length: { m: 1, mm: 0.001, cm: 0.01, in: 0.0254, ft: 0.3048, thou: 0.0000254 },
  pressure: { Pa: 1, kPa: 1000, bar: 100_000, psi: 6894.757293168361 },
  torque: { N·m: 1, lbf·ft: 1.3558179483314, lbf·in: 0.1129848290276167 },
  volume: { L: 1, mL: 0.001, 'US gal': 3.785411784, 'US fl oz': 0.0295735295625 },
  flow: { 'L/min': 1, 'US gal/min': 3.785411784 },
  frequency: { Hz: 1 },
  speed: { 'r/min': 1 },
  voltage: { V: 1 },
  current: { A: 1 },
  resistance: { ohm: 1, kohm: 1000, Mohm: 1_000_000 },
  share: { '%': 1 },
  power: { W: 1, kW: 1000, hp: 745.6998715822702 },
  force: { N: 1, kN: 1000, lbf: 4.4482216152605, 'US ton-force': 8896.443230521, 't-force': 9806.65 },
  temperature: { '°C': 1, '°F': 5 / 9 },
  time: { h: 1, min: 1 / 60, s: 1 / 3600 },
} as const;

/** What a unit shows at the nought of its dimension's base unit, where that is not nought. 0 °C is 32 °F. */
export const NOUGHTS: Readonly<Record<string, number>> = { '°F': 32 };

export type Dimension = keyof typeof DIMENSIONS;
export type UnitOf<D extends Dimension> = keyof (typeof DIMENSIONS)[D] & string;
export type AnyUnit = { [D in Dimension]: UnitOf<D> }[Dimension];
