import type {
  AnyFault,
  AnyObservation,
  Misleading,
  Past,
  SameFact,
  SetUp,
  Standstill,
  TellsPast,
} from '../catalogue/shapes';
import { shareOf, strainsOf, type Machine, type TraitShares } from './machine';

/** What is known of faults and checks: the catalogue's data, handed in. */
export interface Knowledge {
  readonly faults: Readonly<Record<string, AnyFault>>;
  readonly observations: Readonly<Record<string, AnyObservation>>;
  readonly setUps: Readonly<Record<string, SetUp>>;
  readonly sameFacts: readonly SameFact[];
  readonly traitShares: TraitShares;
  readonly misleading: readonly Misleading[];
  readonly standstills: readonly Standstill[];
  readonly tellsPast: readonly TellsPast[];
}

/** Causes proven by the yard for this class and engine family: how many jobs, and how many of each fault. */
export interface Learned {
  readonly cases: number;
  readonly counts: Readonly<Record<string, number>>;
}

/** The built-in odds are worth this many proven cases (judgement). */
export const PRIOR_WORTH = 60;
/** No fault speaks with more certainty than this: a look can always be wrong. */
const SUREST = 0.98;

export interface CompiledObservation {
  readonly id: string;
  readonly outcomes: readonly string[];
  /** By outcome. */
  readonly healthy: Float64Array;
  /** By outcome, by fault: probability that the fault speaks and shows it. */
  readonly shows: readonly Float64Array[];
  /** By fault: probability that it says nothing. */
  readonly silent: Float64Array;
  /** Belongs to this machine, and a fault that it can have speaks to it: it may be advised. */
  readonly belongs: boolean;
}

export interface Model {
  readonly machine: Machine;
  readonly faultIds: readonly string[];
  readonly odds: Float64Array;
  readonly observations: ReadonlyMap<string, CompiledObservation>;
}

/**
 * The faults that the machine can have, in order of precedence, with their prior odds, and every observation as tables over them.
 * In: knowledge, machine, what the yard has learnt. Out: a model for Belief. The parts of one fault's showing may add up to at most one.
 */
export function compileModel(
  knowledge: Knowledge,
  machine: Machine,
  learned: Learned = { cases: 0, counts: {} },
): Model {
  const strains = strainsOf(machine.past);
  const faults = Object.entries(knowledge.faults)
    .map(([id, fault]) => ({ id, fault, share: shareOf(fault.when, machine, knowledge.traitShares) }))
    .filter((entry) => entry.share > 0)
    .sort((a, b) => a.fault.rank - b.fault.rank);
  const odds = Float64Array.from(faults, ({ id, fault, share }) =>
    priorOdds(fault, share, machine.classId, strains, learned.counts[id] ?? 0, learned.cases),
  );
  const list = faults.map((entry) => entry.fault);
  const observations = new Map(
    Object.entries(knowledge.observations).map(
      ([id, observation]) => [id, compileObservation(id, observation, list, machine, knowledge.traitShares)] as const,
    ),
  );
  return { machine, faultIds: faults.map((entry) => entry.id), odds, observations };
}

function priorOdds(
  fault: AnyFault,
  share: number,
  classId: string | undefined,
  strains: Readonly<Record<string, number>>,
  count: number,
  cases: number,
): number {
  const builtIn = ((fault.perThousandOf?.[classId ?? ''] ?? fault.perThousand) / 1000) * share;
  const taught = (builtIn * PRIOR_WORTH + count) / (PRIOR_WORTH + cases);
  const p = Math.min(taught, 0.9);
  const logOdds =
    Math.log(p / (1 - p)) +
    Object.entries(fault.strains ?? {}).reduce((sum, [strain, weight]) => sum + weight * (strains[strain] ?? 0), 0);
  return Math.exp(logOdds);
}

function compileObservation(
  id: string,
  observation: AnyObservation,
  faults: readonly AnyFault[],
  machine: Machine,
  shares: TraitShares,
): CompiledObservation {
  const outcomes = Object.keys(observation.outcomes);
  const shows = outcomes.map(() => new Float64Array(faults.length));
  const silent = new Float64Array(faults.length).fill(1);
  faults.forEach((fault, f) => {
    const parts = fault.shows[id];
    if (parts === undefined) return;
    const total = Object.values(parts).reduce<number>((sum, part) => sum + (part ?? 0), 0);
    const scale = Math.min(1, SUREST / total);
    for (const [outcome, part] of Object.entries(parts))
      (shows[outcomes.indexOf(outcome)] as Float64Array)[f] = (part ?? 0) * scale;
    silent[f] = 1 - total * scale;
  });
  return {
    id,
    outcomes,
    healthy: healthyOf(observation, machine.past),
    shows,
    silent,
    belongs: shareOf(observation.when, machine, shares) > 0 && silent.some((part) => part < 1),
  };
}

/** What a machine shows in which nothing speaks: the healthy shares, mixed with the innocent reasons of its past. */
function healthyOf(observation: AnyObservation, past: Past): Float64Array {
  const entries = Object.entries(observation.outcomes);
  const innocent = (observation.innocent ?? []).filter((reason) => past[reason.while]);
  const mixed = innocent.reduce((sum, reason) => sum + reason.share, 0);
  const base = entries.reduce((sum, [, entry]) => sum + entry[1], 0);
  return Float64Array.from(
    entries,
    ([outcome, entry]) =>
      (entry[1] / base) * (1 - mixed) +
      innocent.filter((reason) => reason.outcome === outcome).reduce((sum, reason) => sum + reason.share, 0),
  );
}
