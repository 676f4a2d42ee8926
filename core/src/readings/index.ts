export {
  bandOf,
  bandReading,
  leakDownPercent,
  pressureAtKPa,
  READ_IN,
  toSeaLevel,
  type Banded,
  type Bands,
  type ReadingLimits,
  type Surroundings,
} from './bandReading';
export { asWritten, doubtOf, type Doubt, type Written } from './asWritten';
export { openAirGap } from './openAirGap';
export { limitsFor, type OwnLimits } from './ownLimits';
