import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import { type Belief, type Sets } from './Belief';
import { likelihoodAmongOthers, likelihoodOf, type Likelihood } from './likelihood';
import { beliefOf, folded, type Shown, type Step } from './beliefs';
import { compileModel, type Knowledge, type Learned, type Model } from './compileModel';
import type { CompiledObservation } from './compiled';
import { enoughOf, type Enough } from './enough';
import { establish, seenAs, type Established } from './established';
import { beside } from './fold';
import type { Machine } from './machine';
import { putRightBy } from './Prices';

/** What was found: outcomes by observation; several where several show at once. */
export type Seen = Readonly<Record<string, string | readonly string[]>>;

/** A stretch of looking, ended by a repair after which the trouble was still there. */
export interface Chapter {
  readonly seen: Seen;
  readonly repaired?: string | undefined;
  /** Faults that a technician says are there, without a look. */
  readonly said?: readonly string[] | undefined;
}

/** Outcomes that count, one by one, as they bear on what is unseen. */
export interface Showing {
  readonly observation: string;
  readonly outcome: string;
  readonly likelihood: Likelihood;
  readonly amongOthers: boolean;
}

/**
 * The state of looking for a fault: what the machine is, what was seen, what was put right already; what is established by it, and the posterior
 * of what is unseen beside that. Kept up step by step. Where two tellings are of one fact, one counts.
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
  /** What was seen, or said to be so, in order; what was put right of it too. */
  readonly established: readonly Established[];
  private readonly steps: readonly Step[];
  private readonly nothingWrong: number | null;

  constructor(knowledge: Knowledge, machine: Machine, chapters: readonly Chapter[], learned?: Learned) {
    this.knowledge = knowledge;
    this.model = modelFor(knowledge, withoutDoubles(knowledge, machine, chapters), learned);
    const twice: string[] = [];
    const steps = withoutAskedAnew(
      this.model,
      chapters.flatMap((chapter, at) => stepsOf(knowledge, this.model, chapter, at, twice)),
    );
    this.nothingWrong = nothingWrongBy(knowledge, chapters[0]?.seen ?? {});
    const said = chapters.flatMap((chapter) =>
      (chapter.said ?? []).map((id) => {
        const repairedIn = chapters.findIndex((other) => other.repaired === id);
        return { id, repairedIn: repairedIn < 0 ? null : repairedIn };
      }),
    );
    this.established = establish({ knowledge, model: this.model, steps, nothingWrong: this.nothingWrong }, said);
    // What is established is put right as such; only what was not seen moves weights.
    const isKnown = (fault: number): boolean => this.established.some((one) => one.fault === fault);
    this.steps = steps.flatMap((step): Step[] => {
      if (step.kind === 'showing') return [step];
      const faults = step.faults.filter((fault) => !isKnown(fault));
      return faults.length === 0 ? [] : [{ ...step, faults }];
    });
    this.belief = beliefOf(
      this.model,
      this.steps,
      { known: this.established, struck: [], leftOut: new Set(), purpose: '' },
      this.nothingWrong,
    );
    this.showings = this.steps.flatMap((step) => (step.kind === 'showing' ? [this.asShowing(step)] : []));
    this.sinceRepair = this.steps
      .slice(this.steps.findLastIndex((step) => step.kind === 'repaired') + 1)
      .flatMap((step) => (step.kind === 'showing' ? [this.asShowing(step)] : []));
    this.countedOnce = twice;
    this.seen = Object.assign({}, ...chapters.map((chapter) => chapter.seen));
    this.repaired = chapters.flatMap((chapter) => chapter.repaired ?? []);
  }

  private asShowing(step: Shown): Showing {
    const { observation, outcome, amongOthers } = step;
    return { observation, outcome, amongOthers, likelihood: folded(step, this.established) };
  }

  /** What is established and not put right yet. */
  given(): readonly Established[] {
    return this.established.filter((one) => one.repairedIn === null);
  }

  /** An observation as it would show now, beside what is given. */
  observe(id: string): CompiledObservation | undefined {
    const compiled = this.model.observations.get(id);
    return compiled && beside(compiled, new Set(this.given().map((one) => one.fault)));
  }

  /** Checks that may be made next: they belong to the machine, are not made yet, and can be made on one that does what it does. */
  open(): CompiledObservation[] {
    return openChecks(this.knowledge, this.model, this.seen).map((entry) => this.observe(entry.id) ?? entry);
  }

  /** What was seen and is trouble, but what is given itself. */
  private trouble(): Shown[] {
    const shown = this.steps.filter((step) => step.kind === 'showing');
    const given = new Set(this.established.map((one) => one.id));
    return shown.filter((step) => step.isTrouble && !given.has(seenAs(this.knowledge, shown, step)?.fault ?? ''));
  }

  /** What was seen and is not well, as the faults themselves speak to it. */
  unwell(): Likelihood[] {
    return this.trouble().map((step) => step.likelihood);
  }

  /** Whether what is given explains all of it; null while nothing is given, or no trouble is left to explain. */
  enough(): Enough | null {
    const trouble = this.trouble();
    if (this.given().length === 0 || trouble.length === 0) return null;
    const { model, steps, nothingWrong, established } = this;
    const putRight = putRightBy(model, this.knowledge);
    const cured = new Set(this.given().flatMap((one) => putRight[one.fault] ?? []));
    this.#enough ??= enoughOf({ model, steps, known: established, nothingWrong, trouble, cured });
    return this.#enough;
  }

  #enough: Enough | null = null;

  /** The heaviest sets, at most about so many; looked for once. */
  sets(most: number): Sets {
    if (this.#sets?.most !== most) this.#sets = { most, sets: this.belief.heaviest(most) };
    return this.#sets.sets;
  }

  #sets: { readonly most: number; readonly sets: Sets } | null = null;
}

function stepsOf(knowledge: Knowledge, model: Model, chapter: Chapter, at: number, twice: string[]): Step[] {
  const steps = Object.entries(chapter.seen).flatMap(([observation, outcome]): Step[] => {
    if (saidBy(knowledge, chapter.seen, observation, outcome) === null)
      return shownOf(knowledge, model, observation, outcome, at);
    twice.push(observation);
    return [];
  });
  const fault = chapter.repaired === undefined ? -1 : model.faultIds.indexOf(chapter.repaired);
  return fault < 0
    ? steps
    : [...steps, { kind: 'repaired', faults: putRightBy(model, knowledge)[fault] ?? [fault], chapter: at }];
}

/** An answer asked anew replaces the old one, unless what was put right in between speaks to it: then both count, each in its time. */
function withoutAskedAnew(model: Model, steps: readonly Step[]): Step[] {
  return steps.filter((step, at) => {
    if (step.kind !== 'showing') return true;
    const later = steps.findIndex(
      (other, place) =>
        place > at &&
        other.kind === 'showing' &&
        other.observation === step.observation &&
        other.chapter > step.chapter,
    );
    if (later < 0) return true;
    const silent = model.observations.get(step.observation)?.silent;
    return steps
      .slice(at, later)
      .some((other) => other.kind === 'repaired' && other.faults.some((fault) => (silent?.[fault] ?? 1) < 1));
  });
}

/** Of such complaints, the share in which nothing is wrong: the least of theirs. Null where nothing was told. */
function nothingWrongBy(knowledge: Knowledge, seen: Seen): number | null {
  const told = Object.entries(seen).filter(([id]) => knowledge.observations[id]?.kind === 'complaint');
  if (told.length === 0) return null;
  const shares = told
    .filter(([id, outcome]) => asList(outcome).some((one) => isTrouble(knowledge, id, one)))
    .map(([id]) => knowledge.observations[id]?.nothingWrong ?? OFTEN_NOTHING.value);
  return shares.length === 0 ? NOTHING_AMISS.value : Math.min(...shares);
}

export const OFTEN_NOTHING: Threshold = {
  name: 'Complaints behind which nothing is wrong: a choke forgotten, a tap, a hirer in a hurry',
  value: 0.1,
  unit: 'odds',
  source: JUDGEMENT,
};
export const NOTHING_AMISS: Threshold = {
  name: 'The same where nothing amiss was told',
  value: 0.3,
  unit: 'odds',
  source: JUDGEMENT,
};

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
  const runs = Object.keys(seen).some((id) => knowledge.observations[id]?.wants === 'running');
  return [...model.observations.values()].filter((entry) => {
    const observation = knowledge.observations[entry.id];
    const wants = observation?.wants;
    const isStart = observation?.ofOneThatWillNotRun === true;
    if (
      !entry.belongs ||
      seen[entry.id] !== undefined ||
      (wants !== undefined && (stopped.has('turning') || stopped.has(wants))) ||
      (stopped.has('starting') && (isStart || wants === 'running')) ||
      (isStart && runs) ||
      (observation?.follows !== undefined && seen[observation.follows] === undefined)
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
const healthyOutcome = (knowledge: Knowledge, observation: string): string | undefined =>
  Object.keys(knowledge.observations[observation]?.outcomes ?? {})[0];

/** Not the healthy outcome, nor a harmless one. */
export const isTrouble = (knowledge: Knowledge, observation: string, outcome: string): boolean =>
  outcome !== healthyOutcome(knowledge, observation) &&
  knowledge.observations[observation]?.harmless?.includes(outcome) !== true;

function shownOf(
  knowledge: Knowledge,
  model: Model,
  observation: string,
  outcome: string | readonly string[],
  chapter: number,
): Shown[] {
  const compiled = model.observations.get(observation);
  if (compiled === undefined) throw new Error(`No such observation: ${observation}`);
  const outcomes = asList(outcome);
  const amongOthers = outcomes.length > 1;
  return outcomes.map((one) => ({
    kind: 'showing',
    observation,
    outcome: one,
    amongOthers,
    likelihood: amongOthers ? likelihoodAmongOthers(compiled, one) : likelihoodOf(compiled, one),
    isTold: knowledge.observations[observation]?.kind === 'complaint',
    isTrouble: isTrouble(knowledge, observation, one),
    chapter,
  }));
}
