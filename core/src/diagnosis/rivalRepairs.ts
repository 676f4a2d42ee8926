import { JUDGEMENT, type Repair, type Threshold } from '../catalogue/shapes';
import { rivalsOf, type Rival } from '../money';
import type { Knowledge } from './compileModel';
import { asList, type Seen } from './Finding';
import { minutesToOpen } from './effort';
import { COSTS } from './Prices';

export const MOSTLY_HOLDS: Threshold = {
  name: 'A repair holds in so many machines where nothing else is known',
  value: 0.95,
  unit: 'odds',
  source: JUDGEMENT,
};

/** In what share of machines a repair holds, by what was seen of this one. */
export function holdsOf(repair: Repair, seen: Seen): number {
  const found = repair.holdsWhen?.find(({ observation, outcome }) => asList(seen[observation]).includes(outcome));
  return found?.holds ?? repair.holds ?? MOSTLY_HOLDS.value;
}

/**
 * The ways to put a fault right, the cheapest in expectation first; one, where there is no other.
 * In: the fault, what was seen, what is off already, cents a minute. Out: with minutes as far as things are off, and cents. Empty: no such fault.
 */
export function rivalRepairs(
  knowledge: Knowledge,
  id: string,
  seen: Seen,
  setUpsDone: ReadonlySet<string>,
  centsPerMinute: number = COSTS.centsPerMinute,
): Rival[] {
  const fault = knowledge.faults[id];
  if (fault === undefined) return [];
  const ways = [fault.repair, ...(fault.rivals ?? [])].map((repair) => ({
    title: repair.title,
    minutes: repair.minutes + minutesToOpen(knowledge, repair.setUps, setUpsDone),
    partsCents: repair.partsCents,
    holds: holdsOf(repair, seen),
  }));
  return rivalsOf(ways, centsPerMinute * 60);
}
