import {
  type AnyFault,
  type AnyObservation,
  JUDGEMENT,
  type Misleading,
  type Past,
  type SameFact,
  type SeenAs,
  type SetUp,
  type Standstill,
  type TellsPast,
  type Threshold,
} from '../catalogue/shapes';
import { Belief } from './Belief';
import type { CompiledObservation } from './compiled';
import { shareOf, strainsOf, type Machine, type TraitShares } from './machine';
import { ownParts, Prior, type Link } from './Prior';

/** What is known of faults and checks: the catalogue's data, handed in. */
export interface Knowledge {
  readonly faults: Readonly<Record<string, AnyFault>>;
  readonly brings: Readonly<Record<string, Readonly<Record<string, number | undefined>> | undefined>>;
  readonly seenAs: readonly SeenAs[];
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
  /** By fault, the jobs in which something that brings it about was confirmed: they do not count to its own odds. */
  readonly apart?: Readonly<Record<string, number>>;
  /** By fault and what it brings about: in how many jobs that was looked at, and in how many it was there. */
  readonly brought?: Readonly<
    Record<string, Readonly<Record<string, { readonly looked: number; readonly found: number }>>>
  >;
}

export const PRIOR_WORTH: Threshold = {
  name: 'The built-in odds of faults are worth so many proven cases',
  value: 60,
  unit: 'cases',
  source: JUDGEMENT,
};
export const LINK_WORTH: Threshold = {
  name: 'What brings what about is worth so many cases in which it was looked at',
  value: 20,
  unit: 'cases',
  source: JUDGEMENT,
};
export const SUREST_LOOK: Threshold = {
  name: 'No fault speaks with more certainty than this: a look can always be wrong',
  value: 0.98,
  unit: 'odds',
  source: JUDGEMENT,
};

export interface Model {
  readonly machine: Machine;
  readonly faultIds: readonly string[];
  /** How likely each is before anything is seen, and what brings what about. */
  readonly prior: Prior;
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
  const totals = Float64Array.from(faults, ({ fault, share }) => {
    const builtIn = ((fault.perThousandOf?.[machine.classId ?? ''] ?? fault.perThousand) / 1000) * share;
    return Math.min(builtIn, 0.9);
  });
  const list = faults.map((entry) => entry.fault);
  const own = ownParts(totals, bringsOf(knowledge, faults)).map((p, f) =>
    strained(taught(p, faults[f]?.id ?? '', learned), faults[f]?.fault.strains ?? {}, strains),
  );
  const brings = bringsOf(knowledge, faults, learned);
  const prior = scaled(new Prior(own, brings));
  const seen = new Map(
    knowledge.seenAs
      .filter(({ after }) => after === undefined)
      .map((entry) => [`${entry.observation} ${entry.outcome}`, entry]),
  );
  const ids = faults.map((entry) => entry.id);
  const observations = new Map(
    Object.entries(knowledge.observations).map(
      ([id, observation]) =>
        [id, compileObservation(id, observation, { list, ids, own, seen, machine, knowledge })] as const,
    ),
  );
  return { machine, faultIds: ids, prior, observations };
}

interface Entry {
  readonly id: string;
  readonly share: number;
}

/** What brings what about on this machine: the share of such machines that have the part counts. */
function bringsOf(knowledge: Knowledge, faults: readonly Entry[], { brought }: Partial<Learned> = {}): Link[][] {
  const place = new Map(faults.map(({ id }, at) => [id, at]));
  return faults.map(({ id }) =>
    Object.entries(knowledge.brings[id] ?? {}).flatMap(([child, part]) => {
      const fault = place.get(child);
      return fault === undefined || part === undefined
        ? []
        : [
            {
              fault,
              share:
                Math.min(taughtLink(part, brought?.[id]?.[child]), MOST_BROUGHT.value) * (faults[fault]?.share ?? 1),
            },
          ];
    }),
  );
}

/** A fault's own odds, moved by the cases that count to it. */
const taught = (own: number, id: string, { cases, counts, apart }: Learned): number =>
  Math.min((own * PRIOR_WORTH.value + (counts[id] ?? 0)) / (PRIOR_WORTH.value + cases - (apart?.[id] ?? 0)), 0.9);

const taughtLink = (share: number, seen = { looked: 0, found: 0 }): number =>
  (share * LINK_WORTH.value + seen.found) / (LINK_WORTH.value + seen.looked);

export const MOST_BROUGHT: Threshold = {
  name: 'Nothing brings another fault about more surely',
  value: 0.9,
  unit: 'odds',
  source: JUDGEMENT,
};

/** A probability moved on the log-odds scale by the strains of a past. */
function strained(
  p: number,
  weights: Readonly<Record<string, number | undefined>>,
  strains: Readonly<Record<string, number>>,
): number {
  const move = Object.entries(weights).reduce(
    (sum, [strain, weight]) => sum + (weight ?? 0) * (strains[strain] ?? 0),
    0,
  );
  const odds = (p / (1 - p)) * Math.exp(move);
  return Math.min(odds / (1 + odds), 0.9);
}

const SCALING_ROUNDS = 3;

/** What brings others about would be too rare in sets of three: it is scaled to be as likely as without that limit. */
function scaled(prior: Prior): Prior {
  const parents = prior.brings.flatMap((links, fault) => (links.length > 0 ? [fault] : []));
  const wanted = parents.map((fault) => prior.unlimited(fault));
  for (let round = 0; round < SCALING_ROUNDS && parents.length > 0; round++) {
    const belief = new Belief(prior.at());
    belief.normalise();
    const by = belief.marginals();
    for (const [at, fault] of parents.entries()) {
      const want = wanted[at] as number;
      const have = by[fault] as number;
      prior.scale[fault] = ((prior.scale[fault] as number) * want * (1 - have)) / (have * (1 - want));
    }
  }
  return prior;
}

interface Around {
  readonly list: readonly AnyFault[];
  readonly ids: readonly string[];
  readonly own: Float64Array;
  readonly seen: ReadonlyMap<string, SeenAs>;
  readonly machine: Machine;
  readonly knowledge: Knowledge;
}

function compileObservation(id: string, observation: AnyObservation, around: Around): CompiledObservation {
  const { list: faults, machine } = around;
  const outcomes = Object.keys(observation.outcomes);
  const shows = outcomes.map(() => new Float64Array(faults.length));
  const silent = new Float64Array(faults.length).fill(1);
  faults.forEach((fault, f) => {
    const parts = fault.shows[id];
    if (parts === undefined) return;
    const total = Object.values(parts).reduce<number>((sum, part) => sum + (part ?? 0), 0);
    const scale = Math.min(1, SUREST_LOOK.value / total);
    for (const [outcome, part] of Object.entries(parts))
      (shows[outcomes.indexOf(outcome)] as Float64Array)[f] = (part ?? 0) * scale;
    silent[f] = 1 - total * scale;
  });
  const misread = outcomes.map((outcome, o) => {
    const entry = around.seen.get(`${id} ${outcome}`);
    const f = entry === undefined ? -1 : around.ids.indexOf(entry.fault);
    return entry === undefined || f < 0
      ? null
      : entry.misread * ((shows[o] as Float64Array)[f] as number) * (around.own[f] as number);
  });
  return {
    id,
    outcomes,
    healthy: healthyOf(observation, machine.past, misread),
    shows,
    silent,
    belongs: shareOf(observation.when, machine, around.knowledge.traitShares) > 0 && silent.some((part) => part < 1),
  };
}

/**
 * What a machine shows in which nothing speaks: the healthy shares, mixed with the innocent reasons of its past. What is a fault itself is
 * only misread.
 */
function healthyOf(observation: AnyObservation, past: Past, misread: readonly (number | null)[]): Float64Array {
  const entries = Object.entries(observation.outcomes);
  const innocent = (observation.innocent ?? []).filter((reason) => past[reason.while]);
  const mixed = innocent.reduce((sum, reason) => sum + reason.share, 0);
  const base = entries.reduce((sum, [, entry], at) => sum + (misread[at] === null ? entry[1] : 0), 0);
  const rest = 1 - misread.reduce<number>((sum, part) => sum + (part ?? 0), 0);
  return Float64Array.from(
    entries,
    ([outcome, entry], at) =>
      (misread[at] ?? (entry[1] / base) * rest) * (1 - mixed) +
      innocent.filter((reason) => reason.outcome === outcome).reduce((sum, reason) => sum + reason.share, 0),
  );
}
