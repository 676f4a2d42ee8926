export {
  assessReading,
  isImpossible,
  UNUSUAL_BELOW,
  type ReadingAssessment,
  type ReadingContext,
  type ReadingFinding,
} from './assessReading';
export { isSilent, readFromAfar, SILENT_HOURS, type AfarRead } from './fromAfar';
export { forecastHours, type HoursForecast } from './forecastHours';
export { likelyRoll, readMeter, type MeterEvent, type MeterRead } from './readMeter';
export { suggestReadings, type Slip, type Suggestion } from './suggestReadings';
export { replaceMeter, rollOver, roundTenth, trueHours, type Meter } from './trueHours';
export {
  chanceOfAtLeast,
  chanceOfAtMost,
  learnUseRate,
  meanHoursPerDay,
  oneIn,
  spreadOver,
  type HireUse,
  type UseRate,
} from './useRate';
