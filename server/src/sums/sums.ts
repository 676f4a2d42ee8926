import type { Watch } from './Watch';
import { FAULT_KNOWLEDGE } from '@hudrik/core/catalogue';
import { diagnose, Finding, seeded, type Machine, type Seen } from '@hudrik/core/diagnosis';
import { flipsOf, reckonWays, spreadOfWay, type Flip, type Spread, type Way, type WaysAsked } from '@hudrik/core/money';
import { normalOf, planBench, promisesOf, type BenchAsked, type BenchPlan, type Promised } from '@hudrik/core/planning';

export interface Reckoned {
  readonly ways: readonly (Way & Spread)[];
  readonly flips: readonly Flip[];
}

/** The ways of a trouble with their spread, and what would change the answer. The same seed each time: the same figures each time. */
export function reckon(asked: WaysAsked): Reckoned {
  const ways = reckonWays(asked).map((way) => {
    const doing = asked.doings.find((one) => one.way === way.way && one.title === way.title) ?? null;
    return { ...way, ...spreadOfWay(asked, doing, seeded(1)) };
  });
  return { ways, flips: flipsOf(asked) };
}

export interface Undiagnosed {
  readonly machine: Machine;
  readonly seen: Seen;
}

/** Minutes until a fault is found and put right, as far as one can tell by what was seen. */
export const minutesToFind = ({ machine, seen }: Undiagnosed): number =>
  diagnose(new Finding(FAULT_KNOWLEDGE, machine, [{ seen }]), { setUpsDone: new Set(), toolsAtHand: null })
    .expectedMinutes;

export interface Planned {
  readonly plan: BenchPlan;
  readonly promises: readonly Promised[];
}

/** The bench planned as well as the time allows, with how sure each visit is. */
export function planBenchIn(asked: BenchAsked, spent: () => number, watch?: Watch): Planned {
  const plan = planBench(asked, {
    random: seeded(SEED),
    spent: () => watch?.spent(spent()) ?? spent(),
    onBetter: (cents) => watch?.better(cents),
  });
  return { plan, promises: promisesOf(asked, plan, normalOf(seeded(SEED))) };
}

const SEED = 1;

/** How long something is looked for: for so many milliseconds; or for so many looks at the clock, and then it is found the same each time. */
export type Effort = { readonly ms: number } | { readonly looks: number };

/** The share of an effort that is spent, each time it is asked. */
export function spentOf(effort: Effort): () => number {
  if ('ms' in effort) return timeSpent(effort.ms);
  let looks = 0;
  return () => looks++ / effort.looks;
}

/** The share of a stretch of time that has gone by since now. */
function timeSpent(ms: number): () => number {
  const begin = performance.now();
  return () => (performance.now() - begin) / ms;
}

/** By fault, how likely it is by what was seen. */
export function suspectsOf({ machine, seen }: Undiagnosed): Record<string, number> {
  const { suspects } = diagnose(new Finding(FAULT_KNOWLEDGE, machine, [{ seen }]), {
    setUpsDone: new Set(),
    toolsAtHand: null,
  });
  return Object.fromEntries(suspects.map(({ id, probability }) => [id, probability]));
}

/** One sum to be made. */
export type SumAsked =
  | { readonly sum: 'reckon'; readonly of: WaysAsked }
  | { readonly sum: 'minutesToFind'; readonly of: Undiagnosed }
  | { readonly sum: 'suspects'; readonly of: Undiagnosed }
  | {
      readonly sum: 'planBench';
      readonly of: {
        readonly asked: BenchAsked;
        readonly effort: Effort;
        readonly watch?: SharedArrayBuffer | undefined;
      };
    };
