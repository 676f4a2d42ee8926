export {
  bandOf,
  bandReading,
  leakDownPercent,
  pressureAtKPa,
  READ_IN,
  toSeaLevel,
  type Banded,
  type Bands,
  type BandStep,
  type ReadingLimits,
  type Surroundings,
} from './bandReading';
export { asWritten, doubtOf, type Doubt, type Written } from './asWritten';
export { asSixCellsAt25, BATTERY_COLD, BATTERY_EMPTY, BATTERY_FULL, BATTERY_LOW, batteryFullPercent } from './battery';
export { outBy, type Out } from './outBy';
export { toStandardAir, type InStandardAir } from './standardAir';
export { openAirGap } from './openAirGap';
export { limitsFor, wrongOfOwn, type OwnLimits, type OwnLimitWrong } from './ownLimits';
