import type { CheckedIn } from '@hudrik/core/log';
import type { Draft } from './draft';
import type { DraftHandle } from './useDraft';

/** What every leaf is given. */
export interface LeafProps {
  readonly draft: Draft;
  readonly change: DraftHandle['change'];
  readonly next: () => void;
}

/** What became of a check-in: taken by the server, or waiting, on this device or, where that would keep nothing, in this page. */
export type Sent =
  | { readonly state: 'taken'; readonly cameTo: CheckedIn }
  | { readonly state: 'waits'; readonly isKept: boolean };
