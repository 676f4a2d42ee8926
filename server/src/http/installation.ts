import type { EventSource } from '../events';
import type { Standing } from '../status/readStatus';

export interface Installation extends Standing {
  readonly demo: boolean;
  /** The one-time code that makes the first lead, while there is nobody. */
  readonly firstLeadCode: string | null;
  /** Where devices learn to trust the yard’s own certificate; null: there is none. */
  readonly trust: { readonly port: number; readonly fingerprint: string } | null;
  /** By what other devices reach this machine; null: they do not. */
  readonly reachedAs: string | null;
  /** Whether the yard goes by the name in a Host header. */
  readonly isOwnName: (host: string | undefined) => boolean;
  /** Where the event streams hear what changed. */
  readonly events: EventSource;
}
