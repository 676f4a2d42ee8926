import type { CompiledObservation } from './compiled';

/** One showing: an outcome, or several at once where an observation allows it. */
export interface Likelihood {
  /** By fault: it speaks, and shows this. */
  readonly shows: Float64Array;
  /** By fault: it says nothing. */
  readonly silent: Float64Array;
  /** Nothing speaks, and it shows this. */
  readonly healthy: number;
}

export const likelihoodOf = (observation: CompiledObservation, outcome: string): Likelihood => {
  const at = observation.outcomes.indexOf(outcome);
  const shows = observation.shows[at];
  if (shows === undefined) throw new Error(`${observation.id} has no outcome ${outcome}`);
  return { shows, silent: observation.silent, healthy: observation.healthy[at] as number };
};

/**
 * That this place shows among others: one minus the chance that neither a fault nor the healthy machine shows it.
 * Used where several outcomes are seen at once; each place is then a question of its own.
 */
export const likelihoodAmongOthers = (observation: CompiledObservation, outcome: string): Likelihood => {
  const { shows, healthy } = likelihoodOf(observation, outcome);
  return { shows, silent: shows.map((part) => 1 - part), healthy };
};
