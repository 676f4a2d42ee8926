import { Belief } from './Belief';
import type { Likelihood } from './likelihood';
import type { Model } from './compileModel';
import { foldGivens } from './fold';

/** One showing, in its time: told before anything was looked at, or looked at; trouble or not. */
export interface Shown {
  readonly kind: 'showing';
  readonly observation: string;
  readonly outcome: string;
  readonly amongOthers: boolean;
  readonly likelihood: Likelihood;
  readonly isTold: boolean;
  readonly isTrouble: boolean;
  readonly chapter: number;
}
/** Faults that were not seen were put right, and the trouble stayed. */
interface PutRight {
  readonly kind: 'repaired';
  readonly faults: readonly number[];
  readonly chapter: number;
}
export type Step = Shown | PutRight;

/** What is known to be there, and the chapter at whose end it was put right. */
export interface Known {
  readonly fault: number;
  readonly repairedIn: number | null;
}

export interface Layout {
  readonly known: readonly Known[];
  readonly struck: readonly number[];
  readonly leftOut: ReadonlySet<Step>;
  /** What it is asked for: beliefs that leave out different steps are kept apart. */
  readonly purpose: string;
}

/** What was known when this was shown, and what of it was put right while the trouble stayed. */
export function foldsOf(step: Shown, known: readonly Known[]): { given: Set<number>; gone: Set<number> } {
  const given = new Set<number>();
  const gone = new Set<number>();
  for (const { fault, repairedIn } of known) {
    if (repairedIn === null || repairedIn >= step.chapter) given.add(fault);
    // Told trouble is still there after the repair.
    if (repairedIn !== null && repairedIn >= step.chapter && step.isTold && step.isTrouble) gone.add(fault);
  }
  return { given, gone };
}

export function folded(step: Shown, known: readonly Known[]): Likelihood {
  if (known.length === 0) return step.likelihood;
  const { given, gone } = foldsOf(step, known);
  return foldGivens(step.likelihood, given, gone).likelihood;
}

interface Kept {
  readonly keys: readonly string[];
  readonly belief: Belief;
}

/** Beliefs of one model, each kept as it was left: a new showing is one update. The oldest go first. */
const kept = new WeakMap<Model, Map<string, Kept>>();
const MOST_KEPT = 24;
/** Weights are looked after once in so many showings. */
const LOOK_AFTER = 8;

const keyOf = (step: Step): string =>
  step.kind === 'repaired'
    ? `repaired ${step.faults.join()} ${step.chapter}`
    : `${step.observation} ${step.outcome} ${step.chapter}${step.amongOthers ? ' and others' : ''}`;

/** The posterior over what is unseen, beside what is known. Told showings come first: by them it is judged how likely nothing is wrong. */
export function beliefOf(model: Model, steps: readonly Step[], layout: Layout, nothingWrong: number | null): Belief {
  const { known, struck, leftOut, purpose } = layout;
  const used = steps.filter((step) => !leftOut.has(step));
  const told = used.filter((step) => step.kind === 'showing' && step.isTold && step.chapter === 0);
  const rest = used.filter((step) => !told.includes(step));
  const mayBeNothing =
    known.length === 0 && !rest.some((step) => step.kind === 'repaired' || (step.isTrouble && !step.isTold));
  const name = `${purpose}|${known.map((one) => `${one.fault}:${one.repairedIn}`).join()}|${struck.join()}|${mayBeNothing}|${nothingWrong}`;
  // Where nothing may be wrong, that is judged once all is told; else the order does not matter, and what is told late is one update too.
  const ordered = mayBeNothing ? [...told, null, ...rest] : [null, ...used];
  const keys = ordered.map((step) => (step === null ? '' : keyOf(step)));
  return goOn(model, name, keys, (before) => {
    const belief = before
      ? new Belief(before.belief)
      : new Belief(
          model.prior.at(
            known.map((one) => one.fault),
            struck,
          ),
        );
    for (const [at, step] of ordered.slice(before?.keys.length ?? 0).entries()) {
      if (step === null) weighNothing(belief, { isKnown: known.length > 0, mayBeNothing, nothingWrong });
      else if (step.kind === 'showing') belief.update(folded(step, known));
      else for (const fault of step.faults) belief.repaired(fault);
      if (at % LOOK_AFTER === LOOK_AFTER - 1) belief.keepFromVanishing();
    }
    belief.normalise();
    return belief;
  });
}

/** Goes on from the belief of this name where it was left, if nothing was taken back since. */
function goOn(model: Model, name: string, keys: readonly string[], make: (before: Kept | undefined) => Belief): Belief {
  const store = kept.get(model) ?? new Map<string, Kept>();
  kept.set(model, store);
  const before = store.get(name);
  const isLonger = before?.keys.every((key, at) => key === keys[at]) === true;
  const belief = make(isLonger ? before : undefined);
  store.delete(name);
  store.set(name, { keys, belief });
  const [oldest] = store.keys();
  if (store.size > MOST_KEPT && oldest !== undefined) store.delete(oldest);
  return belief;
}

interface Nothing {
  readonly isKnown: boolean;
  readonly mayBeNothing: boolean;
  /** Of such complaints, the share in which nothing is wrong; null where nothing was told. */
  readonly nothingWrong: number | null;
}

/** That nothing is wrong is judged by what was told, and is out once something is seen to be. Beside what is known it means: nothing else. */
function weighNothing(belief: Belief, { isKnown, mayBeNothing, nothingWrong }: Nothing): void {
  if (isKnown) return;
  const { weights } = belief;
  if (!mayBeNothing) weights[0] = 0;
  else if (nothingWrong !== null) {
    weights[0] = 0;
    const others = Math.exp(belief.logTotal() - belief.logMass);
    weights[0] = (nothingWrong / (1 - nothingWrong)) * others;
  }
}
