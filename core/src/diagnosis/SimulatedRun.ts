import { type Sets } from './Belief';
import { likelihoodOf, type Likelihood } from './likelihood';
import type { Knowledge, Model } from './compileModel';
import type { CompiledObservation } from './compiled';
import { beside } from './fold';
import { isTrouble, openChecks, type Finding } from './Finding';
import { putRightBy } from './Prices';

/** A source of numbers from 0 up to 1, seeded by whoever calls: nothing here draws by itself. */
export type Random = () => number;

/**
 * A finding gone on with quickly, on its heaviest sets only: for trying out thousands of ways to the end.
 * What is looked at and repaired here does not touch the finding that it began from.
 */
export class SimulatedRun {
  readonly knowledge: Knowledge;
  readonly model: Model;
  readonly sets: Sets;
  readonly seen: Record<string, string | readonly string[]>;
  readonly setUpsDone: Set<string>;
  readonly unwell: Likelihood[];
  readonly repaired: string[] = [];
  /** Faults that are known to be there. */
  readonly given: Set<number>;
  private readonly n: number;
  private readonly repairs: readonly (readonly number[])[];

  constructor(finding: Finding, sets: Sets, setUpsDone: Iterable<string>) {
    this.knowledge = finding.knowledge;
    this.model = finding.model;
    this.n = finding.model.faultIds.length;
    const total = sets.weight.reduce((sum, w) => sum + w, 0);
    this.sets = {
      count: sets.count,
      weight: sets.weight.map((w) => w / total),
      a: sets.a.slice(),
      b: sets.b.slice(),
      c: sets.c.slice(),
    };
    this.seen = { ...finding.seen };
    this.setUpsDone = new Set(setUpsDone);
    this.unwell = [...finding.unwell()];
    this.given = new Set(finding.given().map((one) => one.fault));
    this.repairs = putRightBy(finding.model, finding.knowledge);
  }

  open(): CompiledObservation[] {
    return openChecks(this.knowledge, this.model, this.seen).map((entry) => beside(entry, this.given));
  }

  look(observation: CompiledObservation, outcome: string): void {
    const likelihood = likelihoodOf(beside(observation, this.given), outcome);
    const { weight, count } = this.sets;
    for (let k = 0; k < count; k++) weight[k] = (weight[k] as number) * this.chance(likelihood, k);
    this.normalise();
    this.seen[observation.id] = outcome;
    if (isTrouble(this.knowledge, observation.id, outcome)) this.unwell.push(likelihoodOf(observation, outcome));
    for (const setUp of this.knowledge.observations[observation.id]?.setUps ?? []) this.setUpsDone.add(setUp);
  }

  private chance({ shows, silent, healthy }: Likelihood, k: number): number {
    const n = this.n;
    const a = this.sets.a[k] as number;
    const b = this.sets.b[k] as number;
    const c = this.sets.c[k] as number;
    let p = healthy;
    if (c < n) p = (shows[c] as number) + (silent[c] as number) * p;
    if (b < n) p = (shows[b] as number) + (silent[b] as number) * p;
    if (a < n) p = (shows[a] as number) + (silent[a] as number) * p;
    return p;
  }

  private normalise(): void {
    const total = this.sets.weight.reduce((sum, w) => sum + w, 0);
    if (total > 0)
      for (let k = 0; k < this.sets.count; k++) this.sets.weight[k] = (this.sets.weight[k] as number) / total;
  }

  /** Puts a fault right, and all that the same repair puts right. The trouble is still there afterwards. Out: their ids. */
  repair(id: string): string[] {
    const faults = this.repairs[this.model.faultIds.indexOf(id)] ?? [];
    for (const fault of faults) {
      if (this.given.delete(fault)) this.somethingElse();
      else for (let k = 0; k < this.sets.count; k++) this.drop(fault, k);
    }
    this.normalise();
    for (const setUp of this.knowledge.faults[id]?.repair.setUps ?? []) this.setUpsDone.add(setUp);
    const ids = faults.map((fault) => this.model.faultIds[fault] as string);
    this.repaired.push(...ids);
    return ids;
  }

  /** All that was known is put right, and the trouble is still there: something unseen is. */
  private somethingElse(): void {
    if (this.given.size > 0) return;
    const { a, weight, count } = this.sets;
    for (let k = 0; k < count; k++) if (a[k] === this.n) weight[k] = 0;
  }

  private drop(fault: number, k: number): void {
    const { a, b, c, weight } = this.sets;
    const rest = [a[k] as number, b[k] as number, c[k] as number].filter((one) => one !== fault && one < this.n);
    [a[k], b[k], c[k]] = [rest[0] ?? this.n, rest[1] ?? this.n, rest[2] ?? this.n];
    if (rest.length === 0) weight[k] = 0;
  }

  /** Probability of each fault, and last of none. */
  marginals(): Float64Array {
    const n = this.n;
    const by = new Float64Array(n + 1);
    const { a, b, c, weight, count } = this.sets;
    for (let k = 0; k < count; k++) {
      const w = weight[k] as number;
      by[a[k] as number] = (by[a[k] as number] as number) + w;
      if ((b[k] as number) < n) by[b[k] as number] = (by[b[k] as number] as number) + w;
      if ((c[k] as number) < n) by[c[k] as number] = (by[c[k] as number] as number) + w;
    }
    return by;
  }
}

/**
 * What a machine with these faults shows, and which of them speak to it: a fault that speaks does so each time.
 * The first in precedence is heard; once it is put right, the next.
 */
export function drawShowing(
  observation: CompiledObservation,
  faults: readonly number[],
  random: Random,
): { readonly outcome: string; readonly speakers: readonly number[] } {
  const speakers = [...faults]
    .sort((x, y) => x - y)
    .filter((fault) => random() >= (observation.silent[fault] as number));
  const [heard] = speakers;
  return {
    outcome: pick(
      observation,
      (outcome) => (heard === undefined ? observation.healthy[outcome] : observation.shows[outcome]?.[heard]) as number,
      random,
    ),
    speakers,
  };
}

/** Which of these faults speak, when this was shown. */
export function drawSpeakers(
  { shows, silent, healthy }: Likelihood,
  faults: readonly number[],
  random: Random,
): number[] {
  const order = [...faults].sort((x, y) => x - y);
  let quiet = 1;
  const shares = order.map((fault) => {
    const part = quiet * (shows[fault] as number);
    quiet *= silent[fault] as number;
    return part;
  });
  let left = random() * (shares.reduce((sum, part) => sum + part, 0) + quiet * healthy);
  const heard = shares.findIndex((part) => (left -= part) < 0);
  return heard < 0
    ? []
    : order.filter((fault, at) => at === heard || (at > heard && random() >= (silent[fault] as number)));
}

function pick(observation: CompiledObservation, weightOf: (outcome: number) => number, random: Random): string {
  const weights = observation.outcomes.map((_, outcome) => weightOf(outcome));
  let left = random() * weights.reduce((sum, w) => sum + w, 0);
  const at = weights.findIndex((w) => (left -= w) < 0);
  return observation.outcomes[at < 0 ? weights.length - 1 : at] as string;
}

/** One set of faults, drawn by weight. */
export function drawSet(sets: Sets, n: number, random: Random): number[] {
  let left = random() * sets.weight.reduce((sum, w) => sum + w, 0);
  let k = 0;
  while (k < sets.count - 1 && (left -= sets.weight[k] as number) > 0) k++;
  return [sets.a[k] as number, sets.b[k] as number, sets.c[k] as number].filter((fault) => fault < n);
}
