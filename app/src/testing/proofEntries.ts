import { entryOf } from './cardReply';

/** A card that is in its proof, and what its run begins with. */
export const begun = entryOf('to-proof', {});
export const inProof = { visit: { state: 'to-prove' } } as const;
export const ago = <E extends object>(entry: E, minutes: number): E => ({
  ...entry,
  at: new Date(Date.now() - minutes * 60_000).toISOString(),
});
export const RUN = entryOf('run-started', {});
