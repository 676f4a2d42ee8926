import { Watch } from './Watch';
import { minutesToFind, planBenchIn, reckon, spentOf, suspectsOf, type SumAsked } from './sums';

/** Runs in a worker of the pool: a sum takes some tenths of a second of one processor. */
export default function makeSum(asked: SumAsked): unknown {
  switch (asked.sum) {
    case 'reckon':
      return reckon(asked.of);
    case 'minutesToFind':
      return minutesToFind(asked.of);
    case 'suspects':
      return suspectsOf(asked.of);
    case 'planBench':
      return planBenchIn(asked.of.asked, spentOf(asked.of.effort), asked.of.watch && new Watch(asked.of.watch));
  }
}
