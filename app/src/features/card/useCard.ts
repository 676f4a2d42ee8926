import type { Card, JobState } from '@hudrik/core/card';
import type { CardReply } from '@hudrik/core/contracts';
import { cardOf, jobStateAfter, type CardKind, type Entry, type Facts } from '@hudrik/core/log';
import { useCallback, useMemo } from 'react';
import { useRead } from '@/api';
import { outbox, useAddEntry, usePending, withPending, type EntryItem, type On } from '@/outbox';

export interface CardHandle {
  readonly reply: CardReply | null;
  readonly card: Card | null;
  readonly entries: readonly Entry[];
  readonly state: JobState;
  /** Of this card, made on this device and not taken yet: on their way, or refused. */
  readonly pending: readonly EntryItem[];
  readonly error: Error | null;
  readonly add: <K extends CardKind>(kind: K, facts: Facts<K>, more?: { readonly photos?: readonly string[] }) => void;
  /** Puts away what was refused, once somebody has looked. */
  readonly forget: (entryId: string) => void;
  readonly retry: () => void;
}

/** One card: what the server has, and behind it what was made here and is on its way. */
export function useCard(jobId: string): CardHandle {
  const read = useRead('card', { params: { id: jobId }, refetchInterval: AGAIN_MS });
  const pending = usePending(useCallback((on: On) => on.jobId === jobId, [jobId]));
  const addEntry = useAddEntry();
  const reply = read.data ?? null;
  const tag = reply?.unit.tag;
  const add = useCallback<CardHandle['add']>(
    (kind, facts, more) => void addEntry(kind, facts, { jobId, tag }, more),
    [addEntry, jobId, tag],
  );
  const shown = useMemo(() => shownOf(reply, pending), [reply, pending]);
  return {
    reply,
    ...shown,
    pending: pending.filter((item) => item.state !== 'sent'),
    error: read.error,
    add,
    forget: (entryId) => void outbox().discard(entryId),
    retry: () => void read.refetch(),
  };
}

const AGAIN_MS = 15_000;

function shownOf(
  reply: CardReply | null,
  pending: readonly EntryItem[],
): Pick<CardHandle, 'card' | 'entries' | 'state'> {
  const known = reply?.entries ?? [];
  const entries = withPending(known, pending);
  const card = reply === null ? null : cardOf(entries);
  // What a proof comes to is the server's to say: it has the last word on what is missing.
  const state = entries
    .slice(known.length)
    .filter((entry) => entry.kind !== 'proved')
    .reduce<JobState>(
      (before, entry) => (card ? jobStateAfter(before, entry, card) : before),
      reply?.job.state ?? 'waiting',
    );
  return { card, entries, state };
}
