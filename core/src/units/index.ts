export { DIMENSIONS, type AnyUnit, type Dimension, type UnitOf } from './dimensions';
export {
  areOfOneDimension,
  convert,
  convertValue,
  dimensionOf,
  isUnit,
  quantity,
  symbolOf,
  type Quantity,
} from './quantity';
export { preferredUnit, type UnitSystem } from './preference';
