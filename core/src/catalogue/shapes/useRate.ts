/** A gamma belief about running hours per hire day: mean = shape / rate. */
export interface UseRate {
  /** Pseudo hours seen. */
  readonly shape: number;
  /** Pseudo hire days seen. */
  readonly rate: number;
}
