import { JUDGEMENT, type SeenAs, type Threshold } from '../catalogue/shapes';
import type { Knowledge, Model } from './compileModel';
import type { CompiledObservation } from './compiled';
import { beliefOf, type Known, type Shown, type Step } from './beliefs';

/** A fault that was seen, or said to be so: it stands in every set. */
export interface Established extends Known {
  readonly id: string;
  readonly probability: number;
  readonly by: 'look' | 'word';
  /** What its own looks say for it: natural logs of how much oftener it is seen so with it. */
  readonly looks: readonly { readonly observation: string; readonly outcome: string; readonly logRatio: number }[];
}

export const COUNTS_AS_SO: Threshold = {
  name: 'From this figure on what was seen counts as so',
  value: 0.9,
  unit: 'probability',
  source: JUDGEMENT,
};

interface Said {
  readonly id: string;
  readonly repairedIn: number | null;
}

interface Candidate extends Known {
  readonly looks: readonly Shown[];
}

/** By its plain marginal, from this on it is so without more ado, and under that it is not: the two differ by a few thousandths. */
const PLAINLY = { so: 0.95, not: 0.6 };

interface World {
  readonly knowledge: Knowledge;
  readonly model: Model;
  readonly steps: readonly Step[];
  readonly nothingWrong: number | null;
}

/**
 * What was seen is so: each candidate's figure is the odds of all the rest with it given to all the rest with it struck out, times what its own
 * looks say. In the order of entry, each beside those already given, until no other is. Where the plain marginal leaves no doubt it stands for
 * the figure.
 */
export function establish(world: World, said: readonly Said[]): Established[] {
  const { knowledge, model, steps } = world;
  const given = said.flatMap(({ id, repairedIn }): Established[] => {
    const fault = model.faultIds.indexOf(id);
    return fault < 0 ? [] : [{ fault, id, repairedIn, probability: 1, by: 'word', looks: [] }];
  });
  let left = candidatesOf(knowledge, model, steps).filter(({ fault }) => !given.some((word) => word.fault === fault));
  for (let isMore = left.length > 0; isMore;) {
    const before = [...given];
    const plain = plainly(world, before);
    left = left.filter((candidate) => {
      const p = plain(candidate);
      const probability = p < PLAINLY.not || p >= PLAINLY.so ? p : figureOf(world, candidate, before);
      if (probability < COUNTS_AS_SO.value) return true;
      const { fault, repairedIn, looks } = candidate;
      given.push({
        fault,
        id: model.faultIds[fault] as string,
        repairedIn,
        probability,
        by: 'look',
        looks: looks.map((look) => ({
          observation: look.observation,
          outcome: look.outcome,
          logRatio: Math.log(ratioOf(world, look, fault)),
        })),
      });
      return false;
    });
    isMore = left.length > 0 && given.length > before.length;
  }
  return given;
}

/** How likely a candidate is beside what is known, as one of up to three that are unseen. One put right since is asked for exactly. */
function plainly({ model, steps, nothingWrong }: World, known: readonly Known[]): (candidate: Candidate) => number {
  const layout = { known, struck: [], leftOut: new Set<Step>(), purpose: '' };
  const by = beliefOf(model, steps, layout, nothingWrong).marginals();
  return ({ fault, repairedIn }) => (repairedIn === null ? (by[fault] as number) : (PLAINLY.so + PLAINLY.not) / 2);
}

function candidatesOf(knowledge: Knowledge, model: Model, steps: readonly Step[]): Candidate[] {
  const shown = steps.filter((step) => step.kind === 'showing');
  const found = new Map<number, Candidate>();
  for (const step of shown) {
    const entry = seenAs(knowledge, shown, step);
    const fault = entry === undefined ? -1 : model.faultIds.indexOf(entry.fault);
    if (fault < 0 || found.has(fault)) continue;
    const seenLast = shown.findLast((one) => one === step || seenAs(knowledge, shown, one)?.fault === entry?.fault);
    const repair = steps.findLast((one) => one.kind === 'repaired' && one.faults.includes(fault));
    const repairedIn = repair !== undefined && repair.chapter >= (seenLast?.chapter ?? 0) ? repair.chapter : null;
    const looks = shown.filter(
      (one) => (repairedIn === null || one.chapter <= repairedIn) && isOwn(knowledge, model, one, fault, shown),
    );
    found.set(fault, { fault, repairedIn, looks });
  }
  return [...found.values()];
}

/** The entry by which this outcome is a fault itself, as things were seen. */
export function seenAs(knowledge: Knowledge, shown: readonly Shown[], step: Shown): SeenAs | undefined {
  return knowledge.seenAs.find(
    ({ observation, outcome, after = [] }) =>
      observation === step.observation &&
      outcome === step.outcome &&
      after.every((one) =>
        shown.some((other) => other.observation === one.observation && other.outcome === one.outcome),
      ),
  );
}

/** A look of the fault's own: it saw it, or saw that it is not there. */
function isOwn(knowledge: Knowledge, model: Model, step: Shown, fault: number, shown: readonly Shown[]): boolean {
  const id = model.faultIds[fault];
  if (seenAs(knowledge, shown, step)?.fault === id) return true;
  const [healthy] = model.observations.get(step.observation)?.outcomes ?? [];
  return (
    step.outcome === healthy && knowledge.seenAs.some((one) => one.observation === step.observation && one.fault === id)
  );
}

function figureOf(world: World, { fault, repairedIn, looks }: Candidate, others: readonly Known[]): number {
  const { model, steps, nothingWrong } = world;
  const leftOut = new Set<Step>(looks);
  const purpose = `is it ${fault}`;
  // Its own repair is no unseen one.
  const used = steps.filter((step) => !(step.kind === 'repaired' && step.faults.includes(fault)));
  // What was seen last is left out at its end: what is believed once it stands goes on from there.
  const isLast = used.slice(-looks.length).every((step) => leftOut.has(step));
  const withIt = beliefOf(
    model,
    used,
    { known: [...others, { fault, repairedIn }], struck: [], leftOut, purpose: isLast ? '' : purpose },
    nothingWrong,
  );
  const without = beliefOf(model, used, { known: others, struck: [fault], leftOut, purpose }, nothingWrong);
  const logOdds = looks.reduce(
    (sum, look) => sum + Math.log(ratioOf(world, look, fault)),
    withIt.logTotal() - without.logTotal(),
  );
  return 1 / (1 + Math.exp(-logOdds));
}

/** What one own look says for the fault: how often it shows so with it, over how often without. */
function ratioOf({ knowledge, model }: World, look: Shown, fault: number): number {
  const observation = model.observations.get(look.observation) as CompiledObservation;
  const entry = knowledge.seenAs.find((one) => one.observation === look.observation && one.outcome === look.outcome);
  return entry === undefined
    ? (observation.silent[fault] as number)
    : 1 / (entry.misread * (model.prior.own[fault] as number));
}
