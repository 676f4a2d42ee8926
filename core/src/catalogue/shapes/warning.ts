import type { Engine, Past } from './engine';

/** Something that misleads: due while all of `seen` are seen, none of `unless` was looked at, and past and engine are so. */
export interface Misleading {
  readonly code: string;
  readonly says: string;
  /** Each: the observation shows one of these outcomes; no outcomes: it was looked at at all. One of a group is enough. */
  readonly seen: readonly (readonly { readonly observation: string; readonly outcomes?: readonly string[] }[])[];
  readonly unless?: readonly string[];
  readonly past?: Partial<Past>;
  readonly notEngine?: Engine;
}

/** While this is seen, the engine can not be run, or not even turned: checks that want it are not advised. */
export interface Standstill {
  readonly observation: string;
  readonly outcome: string;
  readonly stops: 'running' | 'turning';
}

/** An observation that tells what a past tells too: while it is seen, that of the past does not count again. */
export interface TellsPast {
  readonly observation: string;
  readonly past: keyof Past;
}
