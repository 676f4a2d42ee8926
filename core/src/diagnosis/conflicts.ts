import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import type { Finding, Showing } from './Finding';
import type { Likelihood } from './likelihood';

export interface Conflict {
  readonly observation: string;
  readonly with: string;
  /** How likely the first was, given all the others. */
  readonly predicted: number;
}

export const SURPRISING: Threshold = {
  name: 'A telling rarer than this, by all the others, is surprising',
  value: 0.04,
  unit: 'probability',
  source: JUDGEMENT,
};
export const EXPLAINED_TIMES: Threshold = {
  name: '… unless some fault makes it so many times likelier',
  value: 2.2,
  unit: 'times',
  source: JUDGEMENT,
};

/** Two showings that can hardly both be right: the first is surprising given all others, and would not be without the second. */
export function conflictsOf(finding: Finding, predicted: readonly number[]): Conflict[] {
  const { sinceRepair: showings, belief } = finding;
  const surprising = showings
    .map((showing, at) => ({ showing, at, p: predicted[at] as number }))
    .filter(({ p }) => p <= SURPRISING.value)
    .sort((x, y) => x.p - y.p)
    .slice(0, MOST_CONFLICTS);
  const found = surprising.flatMap(({ showing, at, p }): Conflict[] => {
    // Without the other it would be so likely: what is left without the other, over what is left without both. The same holds the
    // other way round, so that a showing that was likely anyhow cannot be the other.
    const times = showings.map((other, place) =>
      place === at || (predicted[place] as number) > 1 / EXPLAINED_TIMES.value || areBothShown(finding, showing, other)
        ? 0
        : 1 / (predicted[place] as number) / belief.totalWithout(showing.likelihood, other.likelihood) / p,
    );
    const worst = times.reduce((most, value, place) => (value > (times[most] as number) ? place : most), 0);
    return (times[worst] ?? 0) >= EXPLAINED_TIMES.value
      ? [{ observation: showing.observation, with: (showings[worst] as Showing).observation, predicted: p }]
      : [];
  });
  return found.filter(
    (entry, at) =>
      !found.slice(0, at).some((earlier) => earlier.observation === entry.with && earlier.with === entry.observation),
  );
}

/** No more of the most surprising are looked into. */
const MOST_CONFLICTS = 4;

export const LEAST_PRIOR: Threshold = {
  name: 'A state of the machine less likely than this, relative to nothing wrong, is none that a reading is owed to',
  value: 1e-6,
  unit: 'odds',
  source: JUDGEMENT,
};
export const SHOWN_BY: Threshold = {
  name: 'A state that shows something at least so often is reason enough to believe it',
  value: 0.1,
  unit: 'odds',
  source: JUDGEMENT,
};
export const SPEAKS: Threshold = {
  name: 'A fault that speaks less than so often is not what a reading is owed to',
  value: 0.03,
  unit: 'odds',
  source: JUDGEMENT,
};

/** Whether some state that is not out of the world shows both: then both are right, and odd, and no conflict. */
function areBothShown(finding: Finding, one: Showing, other: Showing): boolean {
  const prior = finding.model.prior.at(finding.given().map((known) => known.fault));
  const speaks = ({ shows }: Likelihood, fault: number): boolean => (shows[fault] as number) >= SPEAKS.value;
  const likely = (set: readonly number[]): boolean => prior.weightOf(set) >= LEAST_PRIOR.value;
  const shown = (set: readonly number[]): boolean =>
    [one, other].every(({ likelihood }) => chanceOf(likelihood, set) >= SHOWN_BY.value);
  const faults = [...prior.odds.keys()].filter(
    (fault) => (speaks(one.likelihood, fault) || speaks(other.likelihood, fault)) && likely([fault]),
  );
  const isSome = (set: readonly number[], from: number): boolean =>
    (likely(set) && shown(set)) ||
    (set.length < MOST_FAULTS &&
      likely(set) &&
      faults.slice(from).some((fault, at) => isSome([...set, fault], from + at + 1)));
  return isSome([], 0);
}

const MOST_FAULTS = 3;

/** How likely these faults, ascending, show it: the first that speaks is heard. */
const chanceOf = ({ shows, silent, healthy }: Likelihood, set: readonly number[]): number =>
  set.reduceRight((rest, fault) => (shows[fault] as number) + (silent[fault] as number) * rest, healthy);
