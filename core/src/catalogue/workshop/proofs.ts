import type { ProofLook } from '../shapes';

/** What every run of an engine warns of. */
export const EXHAUST = ['carbon-monoxide', 'hot-parts'] as const;

/** What every engine shows at its proof, whatever it drives. */
export const EVERY_PROOF: readonly ProofLook[] = [
  { id: 'steady', name: 'Steady off the choke, takes throttle', fails: { observation: 'idle', outcome: 'rough' } },
  { id: 'restart-hot', name: 'Restarts hot', fails: { observation: 'starting', outcome: 'hard' } },
];

/** How long a trouble took to come, by the hirer's words (the end of each band, minutes). */
export const CAME_AFTER = {
  observation: 'runs-for',
  minutes: { 'under-2-min': 2, '2-to-10-min': 10, '10-to-30-min': 30 },
} as const;

/** It comes and goes. */
export const CAME_AND_WENT = { observation: 'intermittent', outcome: 'comes-and-goes' } as const;
