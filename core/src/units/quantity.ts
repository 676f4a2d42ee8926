import { DIMENSIONS, type AnyUnit, type Dimension, type UnitOf } from './dimensions';

/** A number that carries what it measures and in which unit: a length can not be passed where a pressure is wanted. */
export interface Quantity<D extends Dimension = Dimension> {
  readonly dimension: D;
  readonly value: number;
  readonly unit: UnitOf<D>;
}

export const quantity = <D extends Dimension>(dimension: D, value: number, unit: UnitOf<D>): Quantity<D> => ({
  dimension,
  value,
  unit,
});

/**
 * The same quantity in another unit of its dimension.
 * In: a quantity (any finite value) and a unit of the same dimension. Out: a quantity, not rounded.
 * Source: NIST SP 811 (2008), Appendix B.8. Example: 1 in is 25.4 mm.
 */
export function convert<D extends Dimension>(from: Quantity<D>, unit: UnitOf<D>): Quantity<D> {
  const factors = DIMENSIONS[from.dimension] as Readonly<Record<string, number>>;
  return {
    dimension: from.dimension,
    unit,
    value: (from.value * factorOf(factors, from.unit)) / factorOf(factors, unit),
  };
}

function factorOf(factors: Readonly<Record<string, number>>, unit: string): number {
  const factor = factors[unit];
  if (factor === undefined) throw new Error(`No such unit here: ${unit}`);
  return factor;
}

/** The dimension that a unit measures, or undefined for text that is no unit of ours. */
export function dimensionOf(unit: string): Dimension | undefined {
  return (Object.keys(DIMENSIONS) as Dimension[]).find((dimension) => unit in DIMENSIONS[dimension]);
}

export const isUnit = (text: string): text is AnyUnit => dimensionOf(text) !== undefined;
