import type { Engine, Past } from './engine';
import type { ObservationId, OutcomeOf, Shown } from './ids';

/** An observation, with those of its outcomes that count; without any, that it was looked at at all. */
type Glimpse = {
  [O in ObservationId]: { readonly observation: O; readonly outcomes?: readonly OutcomeOf<O>[] };
}[ObservationId];

/** Something that misleads: due while all of `seen` are seen, none of `unless` was looked at, and past and engine are so. */
export interface Misleading {
  readonly code: string;
  readonly sentence: string;
  /** Each: the observation shows one of these outcomes; no outcomes: it was looked at at all. One of a group is enough. */
  readonly seen: readonly (readonly Glimpse[])[];
  readonly unless?: readonly ObservationId[];
  readonly past?: Partial<Past>;
  readonly notEngine?: Engine;
}

/** While this is seen, the engine must not be started, cannot be run, or not even turned: checks that want it are not advised. */
export type Standstill = Shown & { readonly stops: 'starting' | 'running' | 'turning' };

/** An observation that tells what a past tells too: while it is seen, that of the past does not count again. */
export interface TellsPast {
  readonly observation: ObservationId;
  readonly past: keyof Past;
}
