import type { ClassId, RatingId } from '../shapes';

interface Rating {
  readonly name: string;
  readonly unit: string;
  /** The classes that it is asked of. */
  readonly classes: readonly ClassId[];
}

const EVERY: readonly ClassId[] = ['pressure-washer', 'generator', 'tiller', 'snowblower', 'log-splitter', 'welder'];

/** What may stand on a plate, in the unit in which it is kept. */
export const RATINGS: Readonly<Record<RatingId, Rating>> = {
  hertz: { name: 'Frequency', unit: 'Hz', classes: ['generator'] },
  volts: { name: 'Volts', unit: 'V', classes: ['generator'] },
  flow: { name: 'Flow', unit: 'L/min', classes: ['pressure-washer'] },
  pressure: { name: 'Pressure', unit: 'bar', classes: ['pressure-washer', 'log-splitter'] },
  cycle: { name: 'Cycle, out and back', unit: 's', classes: ['log-splitter'] },
  force: { name: 'Splitting force', unit: 'kN', classes: ['log-splitter'] },
  bore: { name: 'Bore of the ram', unit: 'mm', classes: ['log-splitter'] },
  'open-circuit': { name: 'Open-circuit volts', unit: 'V', classes: ['welder'] },
  'low-amperes': { name: 'Amperes at the low setting', unit: 'A', classes: ['welder'] },
  'high-amperes': { name: 'Amperes at the high setting', unit: 'A', classes: ['welder'] },
  duty: { name: 'Duty, of ten minutes', unit: '%', classes: ['welder'] },
  'idle-speed': { name: 'Idle speed', unit: 'r/min', classes: EVERY },
  'top-speed': { name: 'Top speed, no load', unit: 'r/min', classes: EVERY },
};
