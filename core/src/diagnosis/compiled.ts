/** An observation of one machine, as tables over its faults. */
export interface CompiledObservation {
  readonly id: string;
  readonly outcomes: readonly string[];
  /** By outcome. */
  readonly healthy: Float64Array;
  /** By outcome, by fault: probability that the fault speaks and shows it. */
  readonly shows: readonly Float64Array[];
  /** By fault: probability that it says nothing. */
  readonly silent: Float64Array;
  /** Belongs to this machine, and a fault that it can have speaks to it: it may be advised. */
  readonly belongs: boolean;
}
