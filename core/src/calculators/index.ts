import { BELT_LENGTH, BELT_RATIO } from './belts';
import {
  BATTERY_STATE,
  BLEND,
  COMPRESSION,
  CRANKING_PRESSURE,
  ETHANOL_BY_SHAKE,
  LEAK_DOWN,
  STABILISER,
  TWO_STROKE_MIX,
} from './engine';
import {
  BUCKET_FLOW,
  SET_CLASS,
  DUTY_CYCLE,
  HYDRAULIC_POWER,
  LOAD_STEPS,
  NOZZLE_WEAR,
  RAM_FORCE,
  SPEED_AND_HERTZ,
  SPLITTER_CYCLE,
} from './machines';
import { BOWL_LEFT, PUMP_ANTIFREEZE, TANK_BY_DIP, WATER_PARTS } from './fuel';
import { GAP } from './gaps';
import { TORQUE_UNITS } from './torque';
import type { Calculator } from './shape';

export type { Asked, Calculator, Given, OfModel } from './shape';
export { NOZZLE_OFF, PUMP_PASSES_ON } from './machines';

/** The bench sums: one more is one entry and one line here. */
export const CALCULATORS: readonly Calculator[] = [
  LEAK_DOWN,
  COMPRESSION,
  CRANKING_PRESSURE,
  GAP,
  BATTERY_STATE,
  TORQUE_UNITS,
  SPEED_AND_HERTZ,
  SET_CLASS,
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
  WATER_PARTS,
  TANK_BY_DIP,
  BOWL_LEFT,
  PUMP_ANTIFREEZE,
];
