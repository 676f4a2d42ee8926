import { Belief } from './Belief';
import { beliefOf, foldsOf, type Known, type Shown, type Step } from './beliefs';
import type { Model } from './compileModel';
import { foldGivens } from './fold';

type Fold = ReturnType<typeof foldGivens>;

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
  /** Faults that the repair of what is given puts right too: they count as given. */
  readonly cured: ReadonlySet<number>;
}

/**
 * In: the steps, what is known, the trouble besides. Out: three probabilities. With Z all weight, a_∞ the chance that a given is heard:
 *   E = Σ w ∏_{o∉U} L_o ∏_{o∈U} a_∞(o) ∏_{x∈T} (1 − t_x(o)) / Z; with chance h' for a_∞; heard: s' = a_x t_x, h' = a_∞.
 */
export function enoughOf({ model, steps, known, nothingWrong, trouble, cured }: Asked): Enough {
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
  const total = whole.logTotal();
  const heard = new Belief(rest);
  for (const { fold } of folds)
    heard.update({
      shows: fold.heardBefore.map((before, x) =>
        cured.has(x) ? (fold.likelihood.shows[x] as number) : before * (1 - (fold.likelihood.silent[x] as number)),
      ),
      silent: fold.likelihood.silent,
      healthy: fold.heard,
    });
  const share = (belief: Belief, times = 1): number => Math.min(1, times * Math.exp(belief.logTotal() - total));
  const n = model.faultIds.length;
  // Nobody else behind speaks to any of it: one product for all trouble.
  const silence = Float64Array.from({ length: n }, (_, x) =>
    cured.has(x) ? 1 : folds.reduce((product, { fold }) => product * (fold.likelihood.silent[x] as number), 1),
  );
  const behind = new Belief(rest);
  behind.update({ shows: new Float64Array(n), silent: silence, healthy: 1 });
  const given = new Set(known.map((one) => one.fault));
  const speakers = [...cured].filter((x) => !given.has(x));
  const isAnswered = ({ fold }: (typeof folds)[number]): boolean =>
    speakers.some((x) => (fold.likelihood.silent[x] as number) < 1);
  const answered = folds.filter(isAnswered);
  const unanswered = folds.filter((one) => !isAnswered(one));
  /** What is given is heard, what is cured with it, or what is left to chance; nobody else speaks. Where none that is cured speaks, it is a factor. */
  const alone = (healthy: (fold: Fold) => number): number => {
    const belief = answered.length === 0 ? behind : new Belief(behind);
    for (const { fold } of answered)
      belief.update({
        shows: fold.likelihood.shows.map((part, x) => (cured.has(x) ? part : 0)),
        silent: fold.likelihood.silent.map((part, x) => (cured.has(x) ? part : 1)),
        healthy: healthy(fold),
      });
    return share(
      belief,
      unanswered.reduce((product, { fold }) => product * healthy(fold), 1),
    );
  };
  return {
    probability: share(heard),
    alone: alone((fold) => fold.heard),
    withChance: alone((fold) => fold.likelihood.healthy),
  };
}
