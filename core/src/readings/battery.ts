import { exact } from '../figures';
import { COMMON_PRACTICE, fromMemory, type Threshold } from '../catalogue/shapes';

/** Rest volts of six cells, empty and full, at 25 °C. */
export const BATTERY_EMPTY: Threshold = {
  name: 'Lead battery, empty',
  value: 11.8,
  unit: 'V',
  source: COMMON_PRACTICE,
};
export const BATTERY_FULL: Threshold = { name: 'Lead battery, full', value: 12.7, unit: 'V', source: COMMON_PRACTICE };
export const BATTERY_COLD: Threshold = {
  name: 'Rest volts of a 12 V lead battery fall with each degree of cold by',
  value: 0.0024,
  unit: 'V/°C',
  source: fromMemory('Coefficient of cold of a flooded lead battery'),
};
/** Under half, a battery was stood empty: it may have lost what it could hold. */
export const BATTERY_LOW: Threshold = {
  name: 'Charge it, then load it: below so full it may not hold',
  value: 50,
  unit: '%',
  source: COMMON_PRACTICE,
};

/** The same battery as one of six cells at 25 °C. In: volts at rest, °C, nominal volts (12 or 24). Example: 25.2 V of 24 at 15 °C: 12.624. */
export const asSixCellsAt25 = (volts: number, temperatureC: number, nominal: number): number =>
  exact((volts * 12) / nominal + (25 - temperatureC) * BATTERY_COLD.value);

/** How full, per cent from 0 to 100, from volts of six cells at 25 °C. Example: 12.25 V is 50 %. */
export const batteryFullPercent = (at25: number): number =>
  exact(Math.min(Math.max(((at25 - BATTERY_EMPTY.value) / (BATTERY_FULL.value - BATTERY_EMPTY.value)) * 100, 0), 100));
