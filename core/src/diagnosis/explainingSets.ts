import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import type { Sets } from './Belief';
import type { Likelihood } from './likelihood';
import type { CompiledObservation } from './compiled';

/** Sets of the faults that explain what was seen, numbered by themselves: fault `faults[i]` of the model is i, and `faults.length` none. */
export interface ExplainingSets extends Sets {
  readonly faults: readonly number[];
}

export const MIN_EVIDENCE_SHARE: Threshold = {
  name: 'A fault that explains less than this share of every showing is not what one looks for',
  value: 0.2,
  unit: 'share',
  source: JUDGEMENT,
};

/**
 * What has to be found, out of what may be there.
 * A set of faults is cut down to those that explain something that was seen and is not well: of a dead switch and stale fuel, the
 * switch explains a dead engine. Planning goes by these; the suspects themselves stay exact. While nothing is seen that is not well,
 * every fault of a set counts.
 */
export function explainingSetsOf(
  sets: Sets,
  unwell: readonly Likelihood[],
  n: number,
  given: readonly number[] = [],
): ExplainingSets {
  const merged = new Map<number, number>();
  for (let k = 0; k < sets.count; k++) {
    const unseen = [sets.a[k] as number, sets.b[k] as number, sets.c[k] as number].filter((fault) => fault < n);
    // What is given explains its part, and is not looked for.
    const set = given.length === 0 ? unseen : [...given, ...unseen].sort((x, y) => x - y);
    const kept =
      unwell.length === 0
        ? unseen
        : unseen.filter((fault) =>
            unwell.some((showing) => evidenceShare(set, set.indexOf(fault), showing) >= MIN_EVIDENCE_SHARE.value),
          );
    const key = kept.reduce((sum, fault) => sum * (n + 1) + fault + 1, 0);
    merged.set(key, (merged.get(key) ?? 0) + (sets.weight[k] as number));
  }
  return fromKeys(merged, n);
}

/** The share of a showing that one fault of a set explains. */
function evidenceShare(set: readonly number[], at: number, likelihood: Likelihood): number {
  let quiet = 1;
  let total = 0;
  let own = 0;
  for (let place = 0; place < set.length; place++) {
    const fault = set[place] as number;
    const part = quiet * (likelihood.shows[fault] as number);
    total += part;
    if (place === at) own = part;
    quiet *= likelihood.silent[fault] as number;
  }
  return own / (total + quiet * likelihood.healthy);
}

function fromKeys(merged: ReadonlyMap<number, number>, n: number): ExplainingSets {
  const rows = [...merged].map(([key, weight]) => ({ weight, set: unpack(key, n + 1) }));
  const faults = [...new Set(rows.flatMap((row) => row.set))].sort((x, y) => x - y);
  const place = new Map(faults.map((fault, at) => [fault, at]));
  const column = (which: number): Int16Array =>
    Int16Array.from(rows, (row) => place.get(row.set[which] ?? -1) ?? faults.length);
  const total = rows.reduce((sum, row) => sum + row.weight, 0);
  return {
    faults,
    count: rows.length,
    weight: Float64Array.from(rows, (row) => row.weight / total),
    a: column(0),
    b: column(1),
    c: column(2),
  };
}

function unpack(key: number, base: number): number[] {
  const set: number[] = [];
  for (let rest = key; rest > 0; rest = Math.floor(rest / base)) set.unshift((rest % base) - 1);
  return set;
}

/** By outcome, by set: how likely the set shows it. */
export function likelihoodsOf(sets: ExplainingSets, observation: CompiledObservation): Float64Array[] {
  const none = sets.faults.length;
  return observation.outcomes.map((_, outcome) => {
    const shows = Float64Array.from(
      sets.faults,
      (fault) => (observation.shows[outcome] as Float64Array)[fault] as number,
    );
    const silent = Float64Array.from(sets.faults, (fault) => observation.silent[fault] as number);
    const likelihood = new Float64Array(sets.count);
    for (let k = 0; k < sets.count; k++) {
      const a = sets.a[k] as number;
      const b = sets.b[k] as number;
      const c = sets.c[k] as number;
      let p = observation.healthy[outcome] as number;
      if (c < none) p = (shows[c] as number) + (silent[c] as number) * p;
      if (b < none) p = (shows[b] as number) + (silent[b] as number) * p;
      if (a < none) p = (shows[a] as number) + (silent[a] as number) * p;
      likelihood[k] = p;
    }
    return likelihood;
  });
}
