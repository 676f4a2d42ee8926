import { Belief, likelihoodAmongOthers, likelihoodOf, type Likelihood, type Sets } from './Belief';
import { compileModel, type CompiledObservation, type Knowledge, type Learned, type Model } from './compileModel';
import type { Machine } from './machine';
import { sameRepairs } from './Prices';

/** What was found: outcomes by observation; several where several show at once. */
export type Seen = Readonly<Record<string, string | readonly string[]>>;

/** A stretch of looking, ended by a repair after which the trouble was still there. */
export interface Chapter {
  readonly seen: Seen;
  readonly repaired?: string | undefined;
}

/** Outcomes that count, one by one. */
export interface Showing {
  readonly observation: string;
  readonly outcome: string;
  readonly likelihood: Likelihood;
  readonly amongOthers: boolean;
}

/**
 * The state of looking for a fault: what the machine is, what was seen, what was put right already; and the posterior that follows.
 * Kept up step by step: a new showing is one update. Taking one back builds it anew. Where two tellings are of one fact, one counts.
 */
export class Finding {
  readonly knowledge: Knowledge;
  readonly model: Model;
  readonly belief: Belief;
  readonly showings: readonly Showing[];
  /**
   * Those since the last repair that did not help. What was seen before it counts, but can no longer be taken out by itself: sets with
   * and without the repaired fault have become one.
   */
  readonly sinceRepair: readonly Showing[];
  readonly countedOnce: readonly string[];
  readonly seen: Seen;
  readonly repaired: readonly string[];

  constructor(knowledge: Knowledge, machine: Machine, chapters: readonly Chapter[], learned?: Learned) {
    this.knowledge = knowledge;
    this.model = modelFor(knowledge, withoutDoubles(knowledge, machine, chapters), learned);
    const twice: string[] = [];
    const steps = chapters.flatMap((chapter) => stepsOf(knowledge, this.model, chapter, twice));
    this.belief = beliefAfter(this.model, knowledge, steps);
    this.showings = steps.flatMap((step) => (step.kind === 'showing' ? [step] : []));
    this.sinceRepair = steps
      .slice(steps.findLastIndex((step) => step.kind === 'repaired') + 1)
      .flatMap((step) => (step.kind === 'showing' ? [step] : []));
    this.countedOnce = twice;
    this.seen = Object.assign({}, ...chapters.map((chapter) => chapter.seen));
    this.repaired = chapters.flatMap((chapter) => chapter.repaired ?? []);
  }

  /** Checks that may be made next: they belong to the machine, are not made yet, and can be made on one that does what it does. */
  open(): CompiledObservation[] {
    return openChecks(this.knowledge, this.model, this.seen);
  }

  /** What was seen and is not well. */
  unwell(): Likelihood[] {
    return this.showings
      .filter((showing) => showing.outcome !== healthyOutcome(this.knowledge, showing.observation))
      .map((showing) => showing.likelihood);
  }

  /** The heaviest sets, at most about so many; looked for once. */
  sets(most: number): Sets {
    if (this.#sets?.most !== most) this.#sets = { most, sets: this.belief.heaviest(most) };
    return this.#sets.sets;
  }

  #sets: { readonly most: number; readonly sets: Sets } | null = null;
}

type Step = (Showing & { readonly kind: 'showing' }) | { readonly kind: 'repaired'; readonly fault: number };

function stepsOf(knowledge: Knowledge, model: Model, chapter: Chapter, twice: string[]): Step[] {
  const steps = Object.entries(chapter.seen).flatMap(([observation, outcome]): Step[] => {
    if (saidBy(knowledge, chapter.seen, observation, outcome) === null)
      return showingsOf(model, observation, outcome).map((showing) => ({ kind: 'showing', ...showing }));
    twice.push(observation);
    return [];
  });
  const fault = chapter.repaired === undefined ? -1 : model.faultIds.indexOf(chapter.repaired);
  return fault < 0 ? steps : [...steps, { kind: 'repaired', fault }];
}

const keyOf = (step: Step): string =>
  step.kind === 'repaired'
    ? `repaired ${step.fault}`
    : `${step.observation} ${step.outcome}${step.amongOthers ? ' and others' : ''}`;

/** The last belief: a new reading goes on from it; where one was taken back, all is weighed anew. */
let lastBelief: { readonly model: Model; readonly keys: readonly string[]; readonly belief: Belief } | null = null;

function beliefAfter(model: Model, knowledge: Knowledge, steps: readonly Step[]): Belief {
  const keys = steps.map(keyOf);
  const goesOn = lastBelief?.model === model && lastBelief.keys.every((key, at) => key === keys[at]);
  const belief = goesOn && lastBelief ? new Belief(lastBelief.belief) : new Belief(model.odds);
  for (const step of steps.slice(goesOn && lastBelief ? lastBelief.keys.length : 0)) {
    if (step.kind === 'showing') belief.update(step.likelihood);
    else for (const cured of sameRepairs(model, knowledge)[step.fault] ?? []) belief.repaired(cured);
    belief.keepFromVanishing();
  }
  belief.normalise();
  lastBelief = { model, keys, belief };
  return belief;
}

/** The last model made: from one reading to the next the machine stays the same. */
let last: { readonly knowledge: Knowledge; readonly key: string; readonly model: Model } | null = null;

function modelFor(knowledge: Knowledge, machine: Machine, learned: Learned | undefined): Model {
  const key = JSON.stringify([machine, learned]);
  if (last?.knowledge !== knowledge || last.key !== key)
    last = { knowledge, key, model: compileModel(knowledge, machine, learned) };
  return last.model;
}

export function openChecks(knowledge: Knowledge, model: Model, seen: Seen): CompiledObservation[] {
  const stopped = new Set(
    knowledge.standstills
      .filter((entry) => asList(seen[entry.observation]).includes(entry.outcome))
      .map((entry) => entry.stops),
  );
  return [...model.observations.values()].filter((entry) => {
    const wants = knowledge.observations[entry.id]?.wants;
    if (
      !entry.belongs ||
      seen[entry.id] !== undefined ||
      (wants !== undefined && (stopped.has('turning') || stopped.has(wants)))
    )
      return false;
    return !knowledge.sameFacts.some((fact) => fact.second === entry.id && seen[fact.first] !== undefined);
  });
}

export const asList = (outcome: string | readonly string[] | undefined): readonly string[] =>
  outcome === undefined ? [] : typeof outcome === 'string' ? [outcome] : outcome;

/** The observation that tells this fact already, or null. */
function saidBy(
  knowledge: Knowledge,
  seen: Seen,
  observation: string,
  outcome: string | readonly string[],
): string | null {
  const fact = knowledge.sameFacts.find(
    (entry) =>
      entry.second === observation &&
      seen[entry.first] !== undefined &&
      asList(outcome).every((one) => entry.outcomes.includes(one)),
  );
  return fact?.first ?? null;
}

/** What an observation tells of the past does not count again by the past itself. */
function withoutDoubles(knowledge: Knowledge, machine: Machine, chapters: readonly Chapter[]): Machine {
  const overruled = knowledge.tellsPast.filter((entry) =>
    chapters.some((chapter) =>
      asList(chapter.seen[entry.observation]).some(
        (outcome) => outcome !== healthyOutcome(knowledge, entry.observation),
      ),
    ),
  );
  return overruled.length === 0
    ? machine
    : {
        ...machine,
        past: { ...machine.past, ...Object.fromEntries(overruled.map((entry) => [entry.past, undefined])) },
      };
}

/** The first outcome of an observation: the healthy one. */
export const healthyOutcome = (knowledge: Knowledge, observation: string): string | undefined =>
  Object.keys(knowledge.observations[observation]?.outcomes ?? {})[0];

function showingsOf(model: Model, observation: string, outcome: string | readonly string[]): Showing[] {
  const compiled = model.observations.get(observation);
  if (compiled === undefined) throw new Error(`No such observation: ${observation}`);
  const outcomes = asList(outcome);
  if (outcomes.length === 1)
    return outcomes.map((one) => ({
      observation,
      outcome: one,
      likelihood: likelihoodOf(compiled, one),
      amongOthers: false,
    }));
  return outcomes.map((one) => ({
    observation,
    outcome: one,
    likelihood: likelihoodAmongOthers(compiled, one),
    amongOthers: true,
  }));
}
