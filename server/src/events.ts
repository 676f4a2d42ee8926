import type { Change } from '@hudrik/core/contracts';

/** Where to hear what changed. Out of `listen`: how to stop hearing it. */
export interface EventSource {
  readonly listen: (hear: (change: Change) => void) => () => void;
}
