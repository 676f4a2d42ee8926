import { randomUUID } from 'node:crypto';
import type { Facts, SentKind } from '@hudrik/core/log';
import type { Actor, Context } from '../context';
import { takeEntry } from './takeEntry';

/** What an entry hangs on. */
export interface On {
  readonly tag?: string;
  readonly jobId?: string;
  readonly findingId?: string;
  readonly id?: string;
}

/** An entry of this process itself, made now. */
export const enterAs = <K extends SentKind>(
  context: Context,
  who: Actor,
  on: On,
  kind: K,
  facts: Facts<K>,
): ReturnType<typeof takeEntry> =>
  takeEntry(context, who, {
    id: on.id ?? randomUUID(),
    kind,
    facts,
    at: undefined,
    offsetMs: null,
    tag: on.tag ?? null,
    jobId: on.jobId ?? null,
    findingId: on.findingId ?? null,
    lineId: null,
    madeBy: null,
  });
