import { Belief } from './Belief';
import { beliefOf, foldsOf, type Known, type Shown, type Step } from './beliefs';
import type { Model } from './compileModel';
import { foldGivens } from './fold';

/** Whether what is given explains what was told and seen. */
export interface Enough {
  /** It is heard in all of it, whoever stands behind. */
  readonly probability: number;
  /** It alone shows all of it: nothing stands behind. */
  readonly alone: number;
  /** It, and chance. */
  readonly withChance: number;
}

interface Asked {
  readonly model: Model;
  readonly steps: readonly Step[];
  readonly known: readonly Known[];
  readonly nothingWrong: number | null;
  /** All that was told and seen and is trouble, but what is given itself. */
  readonly trouble: readonly Shown[];
}

/**
 * In: the steps, what is known, the trouble besides. Out: three probabilities. With Z all weight, a_∞ the chance that a given is heard:
 *   E = Σ w ∏_{o∉U} L_o ∏_{o∈U} a_∞(o) ∏_{x∈T} (1 − t_x(o)) / Z; with chance h' for a_∞; heard: s' = a_x t_x, h' = a_∞.
 */
export function enoughOf({ model, steps, known, nothingWrong, trouble }: Asked): Enough {
  const whole = beliefOf(model, steps, { known, struck: [], leftOut: new Set(), purpose: '' }, nothingWrong);
  const rest = beliefOf(
    model,
    steps,
    { known, struck: [], leftOut: new Set<Step>(trouble), purpose: 'enough' },
    nothingWrong,
  );
  const folds = trouble.map((step) => {
    const { given, gone } = foldsOf(step, known);
    return { step, fold: foldGivens(step.likelihood, given, gone) };
  });
  const n = model.faultIds.length;
  const total = whole.logTotal();
  const heard = new Belief(rest);
  for (const { fold } of folds)
    heard.update({
      shows: fold.heardBefore.map((before, x) => before * (1 - (fold.likelihood.silent[x] as number))),
      silent: fold.likelihood.silent,
      healthy: fold.heard,
    });
  // Nobody behind speaks to any of it: one product for all trouble.
  const behind = new Belief(rest);
  const silent = Float64Array.from({ length: n }, (_, x) =>
    folds.reduce((product, { fold }) => product * (fold.likelihood.silent[x] as number), 1),
  );
  behind.update({ shows: new Float64Array(n), silent, healthy: 1 });
  const share = (belief: Belief, times: number): number => Math.min(1, times * Math.exp(belief.logTotal() - total));
  return {
    probability: share(heard, 1),
    alone: share(
      behind,
      folds.reduce((product, { fold }) => product * fold.heard, 1),
    ),
    withChance: share(
      behind,
      folds.reduce((product, { fold }) => product * fold.likelihood.healthy, 1),
    ),
  };
}
