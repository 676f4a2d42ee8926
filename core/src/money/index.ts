export { flipsOf, type Flip, type FlipInput } from './flips';
export { rivalsOf, type Rival, type RivalAsked } from './rivals';
export { HANDS_SPREAD, spreadOfWay, type Spread } from './spread';
export {
  BENCH_DAY,
  reckonWays,
  workCents,
  type Doing,
  type Risk,
  type Way,
  type WayId,
  type WaysAsked,
  type Work,
} from './ways';
export { roundMoney, shrunkOdds, worthOf, type HalfLife } from './worth';
