/** A gamma belief about running hours per hire day: mean = shape / rate. */
export interface UseRate {
  /** Pseudo hours seen. */
  readonly shape: number;
  /** Pseudo hire days seen. */
  readonly rate: number;
  /** How unlike one hire is to the next: the squared coefficient of variation of a hire's own hours a day; missing: 0, all alike. */
  readonly hireSpread?: number | undefined;
}
