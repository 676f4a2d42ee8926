import { DIMENSIONS, NOUGHTS, type AnyUnit, type Dimension, type UnitOf } from './dimensions';

/** A number that carries what it measures and in which unit: a length cannot be passed where a pressure is wanted. */
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

/** What each unit measures, and its factor to the base unit. */
const UNITS: ReadonlyMap<string, { readonly dimension: string; readonly factor: number }> = new Map(
  Object.entries(DIMENSIONS).flatMap(([dimension, units]) =>
    Object.entries(units).map(([unit, factor]) => [unit, { dimension, factor }] as const),
  ),
);

/**
 * The same quantity in another unit of its dimension.
 * In: a quantity (any finite value) and a unit of the same dimension. Out: a quantity, not rounded.
 * Source: NIST SP 811 (2008), Appendix B.8. Example: 1 in is 25.4 mm.
 */
export const convert = <D extends Dimension>(from: Quantity<D>, unit: UnitOf<D>): Quantity<D> => ({
  dimension: from.dimension,
  unit,
  value: convertValue(from.value, from.unit, unit),
});

/**
 * A number of one unit as a number of another of the same dimension, where the units are only known as they run (a reading that was sent).
 * Throws for a unit that is none, and for two that do not measure the same.
 */
export function convertValue(value: number, from: string, to: string): number {
  const [source, target] = [UNITS.get(from), UNITS.get(to)];
  if (source === undefined || target === undefined)
    throw new Error(`No such unit: ${source === undefined ? from : to}`);
  if (source.dimension !== target.dimension) throw new Error(`${from} is not measured in ${to}`);
  if (from === to) return value;
  return ((value - (NOUGHTS[from] ?? 0)) * source.factor) / target.factor + (NOUGHTS[to] ?? 0);
}

const isDimension = (text: string): text is Dimension => Object.hasOwn(DIMENSIONS, text);

/** The dimension that a unit measures, or undefined for text that is no unit of ours. */
export function dimensionOf(unit: string): Dimension | undefined {
  const dimension = UNITS.get(unit)?.dimension;
  return dimension !== undefined && isDimension(dimension) ? dimension : undefined;
}

export const isUnit = (text: string): text is AnyUnit => UNITS.has(text);

/** Whether two units measure the same. */
export const areOfOneDimension = (a: string, b: string): boolean =>
  isUnit(a) && isUnit(b) && dimensionOf(a) === dimensionOf(b);

const SYMBOLS: Readonly<Record<string, string>> = { ohm: 'Ω', kohm: 'kΩ', Mohm: 'MΩ' };
/** A unit as it is printed. Example: kohm is kΩ; psi is psi. */
export const symbolOf = (unit: string): string => SYMBOLS[unit] ?? unit;
