import type { Random } from './SimulatedRun';

/** Numbers from 0 up to 1, the same for the same seed: a small linear congruential generator (Numerical Recipes, 2nd ed., section 7.1). */
export function seeded(seed: number): Random {
  let state = seed;
  return () => {
    state = (state * 1_664_525 + 1_013_904_223) % 4_294_967_296;
    return state / 4_294_967_296;
  };
}
