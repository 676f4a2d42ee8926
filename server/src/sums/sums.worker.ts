import { reckon, minutesToFind, type SumAsked } from './sums';

/** Runs in a worker of the pool: a sum takes some tenths of a second of one processor. */
export default function makeSum(asked: SumAsked): unknown {
  return asked.sum === 'reckon' ? reckon(asked.of) : minutesToFind(asked.of);
}
