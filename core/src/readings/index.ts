export {
  bandOf,
  bandReading,
  leakDownPercent,
  pressureAtKPa,
  toSeaLevel,
  type Banded,
  type Bands,
  type ReadingLimits,
  type Surroundings,
} from './bandReading';
export { openAirGap } from './openAirGap';
export { limitsFor, type OwnLimits } from './ownLimits';
