import { COMPRESSION_BY_HEIGHT, ETHANOL_BY_SHAKE, LEAK_DOWN, TWO_STROKE_MIX } from './engine';
import { DROOP, DUTY_CYCLE, HYDRAULIC_POWER, NOZZLE_WEAR, RAM_FORCE, SPEED_AND_HERTZ } from './machines';
import type { Calculator } from './shape';

export type { Asked, Calculator, Given } from './shape';

/** The bench sums: one more is one entry and one line here. */
export const CALCULATORS: readonly Calculator[] = [LEAK_DOWN, COMPRESSION_BY_HEIGHT, SPEED_AND_HERTZ, DROOP, NOZZLE_WEAR, HYDRAULIC_POWER, RAM_FORCE, DUTY_CYCLE, TWO_STROKE_MIX, ETHANOL_BY_SHAKE];
