import { FAULT_KNOWLEDGE } from '@hudrik/core/catalogue';
import { diagnose, Finding, seeded, type Machine, type Seen } from '@hudrik/core/diagnosis';
import { flipsOf, reckonWays, spreadOfWay, type Flip, type Spread, type Way, type WaysAsked } from '@hudrik/core/money';

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

/** One sum to be made. */
export type SumAsked =
  { readonly sum: 'reckon'; readonly of: WaysAsked } | { readonly sum: 'minutesToFind'; readonly of: Undiagnosed };
