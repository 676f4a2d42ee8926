import type { CheckIn } from '@hudrik/core/contracts';
import type { Draft } from './draft';
import type { DraftHandle } from './useDraft';

/** What every leaf is given. */
export interface LeafProps {
  readonly draft: Draft;
  readonly change: DraftHandle['change'];
  readonly next: () => void;
}

/** What became of a check-in: kept by the server, or waiting on this device. */
export type Sent = { readonly kept: CheckIn } | { readonly waiting: true };
