import type { EngineTrait } from '@hudrik/core/catalogue';

/** Traits of an engine, as a person names them. */
export const TRAIT_WORD: Readonly<Record<EngineTrait, string>> = {
  ignition: 'Ignition',
  strokes: 'Strokes',
  release: 'Compression release',
  fuel: 'Fuel',
  throttle: 'Throttle',
  carburettor: 'Carburettor',
  tank: 'Tank',
  start: 'Start',
  cooling: 'Cooling',
};

/** A value of a trait, or of the past. */
export const traitValueWord = (value: unknown): string => {
  if (value === true) return 'has one';
  return value === false ? 'has none' : String(value).replaceAll('-', ' ');
};
