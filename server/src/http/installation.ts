import type { EventSource } from '../events';

export interface Installation {
  readonly version: string;
  readonly demo: boolean;
  /** The one-time code that makes the first lead, while there is nobody. */
  readonly firstLeadCode: string | null;
  /** Where the event streams hear what changed. */
  readonly events: EventSource;
}
