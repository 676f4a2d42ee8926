import { JUDGEMENT, LANES, type Lane, type Threshold } from '../catalogue/shapes';
import type { Sets } from './Belief';
import type { CompiledObservation } from './compiled';
import { conflictsOf, type Conflict } from './conflicts';
import { explainingSetsOf, type ExplainingSets } from './explainingSets';
import type { Enough } from './enough';
import { Planner } from './Planner';
import type { Step } from './steps';
import { COSTS, Prices, type Workplace, type Costs } from './Prices';
import type { Finding } from './Finding';

/** The empty set is reported among the suspects under this id. */
export const NOTHING_WRONG = 'user-error';

export interface Suspect {
  readonly id: string;
  readonly probability: number;
  /** How likely what was told and seen is owed to it. */
  readonly owed: number;
}

/** A fault that was seen, or said to be so. */
export interface EstablishedFault {
  readonly id: string;
  readonly probability: number;
  readonly by: 'look' | 'word';
  readonly isPutRight: boolean;
}

export interface LaneState {
  readonly lane: Lane;
  readonly state: 'cleared' | 'suspect' | 'not-looked-at';
  readonly probability: number;
}

export interface Evidence {
  readonly observation: string;
  readonly outcome: string;
  /** Natural log of how much likelier the showing is with the fault than without it, all else as seen. */
  readonly logRatio: number;
}

export interface Diagnosis {
  /** All, most likely first, the empty set among them. */
  readonly suspects: readonly Suspect[];
  /** The ten likeliest sets. */
  readonly sets: readonly { readonly faults: readonly string[]; readonly probability: number }[];
  readonly next: readonly Step[];
  readonly lanes: readonly LaneState[];
  /** By fault, for the likeliest. */
  readonly evidence: Readonly<Record<string, readonly Evidence[]>>;
  readonly conflicts: readonly Conflict[];
  /** Observations that repeat what another has shown already. */
  readonly countedOnce: readonly string[];
  /** Expected minutes to the end from here, by the best next step. */
  readonly expectedMinutes: number;
  readonly established: readonly EstablishedFault[];
  /** Whether what is established explains all of it; null while nothing is. */
  readonly enough: Enough | null;
}

/** Sets that the next steps are reckoned on: all but a thousandth of the weight in ordinary cases. The suspects are exact. */
const SETS_FOR_STEPS = 1500;
const SHOWN_SUSPECTS = 12;

/**
 * Suspects, sets, lanes, evidence and the steps worth making, of one finding.
 * In: the finding, the workplace, costs. Out: see Diagnosis; probabilities from 0 to 1, minutes. Source: model C of the docs, Pearl 1988,
 * Heckerman et al. 1995.
 */
export function diagnose(finding: Finding, workplace: Workplace, costs: Costs = COSTS): Diagnosis {
  const { model, belief } = finding;
  const by = belief.marginals();
  const sets = finding.sets(SETS_FOR_STEPS);
  const open = finding.open();
  const prices = new Prices(
    model,
    finding.knowledge,
    workplace,
    { open: new Set(open.map((entry) => entry.id)), seen: new Set(Object.keys(finding.seen)) },
    costs,
  );
  const given = finding.given();
  const enough = finding.enough();
  const explaining = explainingSetsOf(
    sets,
    finding.unwell(),
    model.faultIds.length,
    given.map((one) => one.fault),
  );
  const planner = new Planner(
    model,
    prices,
    explaining,
    given.map(({ id }) => ({ id, enough: enough?.probability ?? 1 })),
  );
  const next = planner.steps(open);
  const now = planner.expectedCost();
  const suspects = suspectsOf(finding, by, explaining);
  const { evidence, predicted } = evidenceFor(
    finding,
    suspects.slice(0, SHOWN_SUSPECTS).map((suspect) => suspect.id),
    by,
  );
  return {
    suspects,
    sets: topSets(
      sets,
      model.faultIds,
      given.map((one) => one.id),
    ),
    next,
    lanes: lanesOf(finding, sets),
    evidence,
    conflicts: conflictsOf(finding, predicted),
    countedOnce: finding.countedOnce,
    expectedMinutes:
      given.reduce((sum, { id }) => sum + prices.repairCost(id), 0) +
      now -
      Math.max(next.find((step) => step.given !== true)?.expectedSaving ?? 0, 0),
    established: finding.established.map(({ id, probability, by: how, repairedIn }) => ({
      id,
      probability,
      by: how,
      isPutRight: repairedIn !== null,
    })),
    enough,
  };
}

/** What is given first, as it was found; then what is unseen, by how likely the trouble is owed to it. */
function suspectsOf(finding: Finding, by: Float64Array, explaining: ExplainingSets): Suspect[] {
  const { model, belief } = finding;
  const owed = new Float64Array(model.faultIds.length);
  const places = [explaining.a, explaining.b, explaining.c];
  for (let k = 0; k < explaining.count; k++)
    for (const place of places) {
      const fault = explaining.faults[place[k] as number];
      if (fault !== undefined) owed[fault] = (owed[fault] as number) + (explaining.weight[k] as number);
    }
  const given = finding.given();
  const isKnown = (fault: number): boolean => finding.established.some((one) => one.fault === fault);
  // Beside what is given, an empty set means: nothing else. That is no suspect.
  const none =
    finding.established.length === 0
      ? [{ id: NOTHING_WRONG, probability: belief.weights[0] as number, owed: belief.weights[0] as number }]
      : [];
  const unseen = model.faultIds.flatMap((id, at) =>
    isKnown(at) ? [] : [{ id, probability: by[at] as number, owed: owed[at] as number }],
  );
  return [
    ...given.map(({ id, probability }) => ({ id, probability, owed: probability })),
    ...[...unseen, ...none].sort(
      (x, y) => y.owed - x.owed || y.probability - x.probability || x.id.localeCompare(y.id),
    ),
  ];
}

/** The likeliest sets; what is given stands in each. */
function topSets(
  sets: Sets,
  ids: readonly string[],
  given: readonly string[],
): { faults: string[]; probability: number }[] {
  const order = Array.from({ length: sets.count }, (_, at) => at)
    .sort((x, y) => (sets.weight[y] as number) - (sets.weight[x] as number))
    .slice(0, 10);
  return order.map((at) => ({
    faults: [...given, ...[sets.a[at], sets.b[at], sets.c[at]].flatMap((fault) => ids[fault as number] ?? [])],
    probability: sets.weight[at] as number,
  }));
}

/** For each showing, how it bears on each of the suspects; and how likely it was, given all the others. */
function evidenceFor(
  finding: Finding,
  ids: readonly string[],
  by: Float64Array,
): { evidence: Record<string, Evidence[]>; predicted: number[] } {
  const evidence: Record<string, Evidence[]> = Object.fromEntries(ids.map((id) => [id, []]));
  const predicted: number[] = [];
  const places = ids.map((id) => finding.model.faultIds.indexOf(id));
  for (const { observation, outcome, likelihood } of finding.sinceRepair) {
    const without = finding.belief.without(likelihood);
    predicted.push(without.predicted);
    for (const [at, id] of ids.entries()) {
      const f = places[at] as number;
      const [after, before] =
        f < 0
          ? nothingWrong(finding, likelihood.healthy, without.predicted)
          : [by[f] as number, without.by[f] as number];
      const logRatio = logit(after) - logit(before);
      if (Math.abs(logRatio) > 0.02) (evidence[id] as Evidence[]).push({ observation, outcome, logRatio });
    }
  }
  // What is established stands on its own looks.
  for (const { id, looks } of finding.established) if (evidence[id]) evidence[id] = [...looks];
  for (const list of Object.values(evidence)) list.sort((x, y) => Math.abs(y.logRatio) - Math.abs(x.logRatio));
  return { evidence, predicted };
}

const nothingWrong = (finding: Finding, healthy: number, predicted: number): [number, number] => {
  const after = finding.belief.weights[0] as number;
  return [after, (after * predicted) / healthy];
};
const TINY = 1e-12;
const logit = (p: number): number => Math.log(Math.max(p, TINY) / Math.max(1 - p, TINY));

export const SUSPECT_FROM: Threshold = {
  name: 'A lane is suspect from these odds of its faults on',
  value: 0.12,
  unit: 'probability',
  source: JUDGEMENT,
};
export const LOOKED_INTO: Threshold = {
  name: 'A lane was looked into when so much of its faults’ odds was',
  value: 0.5,
  unit: 'share',
  source: JUDGEMENT,
};
export const SPEAKS_MOSTLY: Threshold = {
  name: '… by something that speaks to them in at least so many cases',
  value: 0.5,
  unit: 'odds',
  source: JUDGEMENT,
};

/** A lane is suspect while a fault of it is likely, cleared when somebody looked into it and none is, and else not looked at. */
function lanesOf(finding: Finding, sets: Sets): LaneState[] {
  const { faultIds, prior } = finding.model;
  const odds = prior.own;
  const laneOf = faultIds.map((id) => finding.knowledge.faults[id]?.lane);
  const looks = finding.showings
    .map((showing) => showing.observation)
    .filter((id) => finding.knowledge.observations[id]?.kind !== 'complaint');
  const isLookedAt = (fault: number): boolean =>
    looks.some((id) => (finding.model.observations.get(id)?.silent[fault] as number) <= 1 - SPEAKS_MOSTLY.value);
  const given = finding.given().map((one) => laneOf[one.fault]);
  return LANES.map((lane) => {
    let probability = 0;
    const isIn = (fault: number): boolean => laneOf[fault] === lane;
    for (let k = 0; k < sets.count; k++)
      if (isIn(sets.a[k] as number) || isIn(sets.b[k] as number) || isIn(sets.c[k] as number))
        probability += sets.weight[k] as number;
    if (given.includes(lane)) probability = 1;
    const total = odds.reduce((sum, o, fault) => sum + (isIn(fault) ? o : 0), 0);
    const looked = odds.reduce((sum, o, fault) => sum + (isIn(fault) && isLookedAt(fault) ? o : 0), 0);
    const state =
      probability >= SUSPECT_FROM.value
        ? 'suspect'
        : looked >= LOOKED_INTO.value * total && total > 0
          ? 'cleared'
          : 'not-looked-at';
    return { lane, state, probability };
  });
}

/** For a check: how likely each outcome is, now and under each of these suspects. Rows add up to one. */
export function outcomesOf(
  finding: Finding,
  observation: string,
  suspects: readonly string[],
): {
  readonly outcomes: readonly string[];
  readonly now: readonly number[];
  readonly under: Readonly<Record<string, readonly number[]>>;
} {
  const compiled = finding.observe(observation);
  if (compiled === undefined) throw new Error(`No such observation: ${observation}`);
  const sets = finding.sets(SETS_FOR_STEPS);
  const n = finding.model.faultIds.length;
  const after = new Float64Array(sets.count);
  const given = new Set(finding.given().map((one) => one.fault));
  const holds = (at: number, fault: number): boolean =>
    given.has(fault) ||
    (fault < 0 ? sets.a[at] === n : sets.a[at] === fault || sets.b[at] === fault || sets.c[at] === fault);
  const shareOf = (weights: Float64Array, fault: number | null): number => {
    let sum = 0;
    for (let k = 0; k < sets.count; k++) if (fault === null || holds(k, fault)) sum += weights[k] as number;
    return sum;
  };
  const rows = compiled.outcomes.map((_, outcome) => {
    weigh(sets, compiled, outcome, n, after);
    return {
      now: shareOf(after, null) / shareOf(sets.weight, null),
      under: suspects.map(
        (id) =>
          shareOf(after, finding.model.faultIds.indexOf(id)) /
          Math.max(shareOf(sets.weight, finding.model.faultIds.indexOf(id)), TINY),
      ),
    };
  });
  return {
    outcomes: compiled.outcomes,
    now: rows.map((row) => row.now),
    under: Object.fromEntries(suspects.map((id, at) => [id, rows.map((row) => row.under[at] as number)])),
  };
}

/** The weights of the sets after an outcome, not yet normalised: they add up to the outcome's probability. */
function weigh(sets: Sets, observation: CompiledObservation, outcome: number, n: number, into: Float64Array): void {
  const shows = observation.shows[outcome] as Float64Array;
  const { silent } = observation;
  for (let k = 0; k < sets.count; k++) {
    const heard = (fault: number, p: number): number =>
      fault < n ? (shows[fault] as number) + (silent[fault] as number) * p : p;
    const p = heard(
      sets.a[k] as number,
      heard(sets.b[k] as number, heard(sets.c[k] as number, observation.healthy[outcome] as number)),
    );
    into[k] = (sets.weight[k] as number) * p;
  }
}
