/** What a machine is rated for, as far as a check-in or a proof measures it. Each in the unit of `RATINGS`. */
export const RATING_IDS = [
  'hertz',
  'volts',
  'flow',
  'pressure',
  'cycle',
  'force',
  'bore',
  'open-circuit',
  'low-amperes',
  'high-amperes',
  'duty',
  'idle-speed',
  'top-speed',
] as const;
export type RatingId = (typeof RATING_IDS)[number];

/** How the speed of a set is governed: an inverter holds its hertz whatever the load. */
export const GOVERNORS = ['mechanical', 'inverter'] as const;
export type Governor = (typeof GOVERNORS)[number];

/** Rated figures of a unit, a model or a class; what is left out is not known there. */
export type Rated = { readonly [R in RatingId]?: number | undefined } & { readonly governor?: Governor | undefined };
