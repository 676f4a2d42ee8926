import { BELT_LENGTH, BELT_RATIO } from './belts';
import {
  BATTERY_STATE,
  BLEND,
  COMPRESSION_BY_HEIGHT,
  CRANKING_PRESSURE,
  ETHANOL_BY_SHAKE,
  LEAK_DOWN,
  STABILISER,
  TWO_STROKE_MIX,
} from './engine';
import {
  BUCKET_FLOW,
  DROOP,
  DUTY_CYCLE,
  HYDRAULIC_POWER,
  LOAD_STEPS,
  NOZZLE_WEAR,
  RAM_FORCE,
  SPEED_AND_HERTZ,
  SPLITTER_CYCLE,
} from './machines';
import type { Calculator } from './shape';

export type { Asked, Calculator, Given } from './shape';

/** The bench sums: one more is one entry and one line here. */
export const CALCULATORS: readonly Calculator[] = [
  LEAK_DOWN,
  COMPRESSION_BY_HEIGHT,
  CRANKING_PRESSURE,
  BATTERY_STATE,
  SPEED_AND_HERTZ,
  DROOP,
  LOAD_STEPS,
  DUTY_CYCLE,
  BUCKET_FLOW,
  NOZZLE_WEAR,
  HYDRAULIC_POWER,
  RAM_FORCE,
  SPLITTER_CYCLE,
  BELT_RATIO,
  BELT_LENGTH,
  TWO_STROKE_MIX,
  STABILISER,
  BLEND,
  ETHANOL_BY_SHAKE,
];
