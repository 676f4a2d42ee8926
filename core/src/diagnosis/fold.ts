import type { Likelihood } from './likelihood';
import type { CompiledObservation } from './compiled';

/** A fault that is known to be there speaks before or after the others, by precedence, like any. */
export interface Fold {
  /** The showing for what is unseen. */
  readonly likelihood: Likelihood;
  /** Something given is heard and shows this. */
  readonly heard: number;
  /** By fault: something given before it is heard and shows this. */
  readonly heardBefore: Float64Array;
}

/**
 * Folds what is given into a showing: with a_x the chance that a given before x is heard and shows it, and q_x that no given before x speaks,
 *   s'_x = q_x s_x + a_x t_x,   t' = t,   h' = a_∞ + q_∞ h.
 * What was given and put right while the trouble stayed (`gone`) showed nothing of it, and nothing shows it by chance.
 */
export function foldGivens(
  { shows, silent, healthy }: Likelihood,
  given: ReadonlySet<number>,
  gone: ReadonlySet<number> = NONE,
): Fold {
  const n = shows.length;
  const folded = new Float64Array(n);
  const heardBefore = new Float64Array(n);
  let heard = 0;
  let quiet = 1;
  for (let f = 0; f < n; f++) {
    const show = shows[f] as number;
    const still = silent[f] as number;
    folded[f] = quiet * show + heard * (1 - still);
    heardBefore[f] = heard;
    if (gone.has(f)) quiet *= still + show;
    else if (given.has(f)) {
      heard += quiet * show;
      quiet *= still;
    }
  }
  const byChance = gone.size > 0 ? HARDLY : healthy;
  return { likelihood: { shows: folded, silent, healthy: heard + quiet * byChance }, heard, heardBefore };
}

const NONE: ReadonlySet<number> = new Set();
/** Not nought, so that weights can be divided by it; far under any chance that a rare fault shows a thing it seldom shows. */
const HARDLY = 1e-16;

/** An observation as it would be made now, beside what is given. */
export function beside(observation: CompiledObservation, given: ReadonlySet<number>): CompiledObservation {
  if (given.size === 0) return observation;
  const folds = observation.shows.map((shows, o) =>
    foldGivens({ shows, silent: observation.silent, healthy: observation.healthy[o] as number }, given),
  );
  return {
    ...observation,
    shows: folds.map((fold) => fold.likelihood.shows),
    healthy: Float64Array.from(folds, (fold) => fold.likelihood.healthy),
  };
}
