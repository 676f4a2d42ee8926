import type { Card, VisitState } from '@hudrik/core/card';
import type { CardReply } from '@hudrik/core/contracts';
import { cardOf, visitStateAfter, type CardKind, type Entry, type Facts, type SentKind } from '@hudrik/core/log';
import { useCallback, useMemo } from 'react';
import { useRead } from '@/api';
import { outbox, useAddEntry, usePending, withPending, type EntryItem, type On } from '@/outbox';

interface More {
  readonly photos?: readonly string[];
  /** The job that it is done for, where it is not the one at hand. */
  readonly jobId?: string | null;
}

export interface CardHandle {
  readonly reply: CardReply | null;
  readonly card: Card | null;
  readonly entries: readonly Entry[];
  readonly state: VisitState;
  /** The job at hand: what is done on the card without naming another is done for it. */
  readonly jobId: string;
  /** Of this card, made on this device and not taken yet: on their way, or refused. */
  readonly pending: readonly EntryItem[];
  readonly error: Error | null;
  readonly add: <K extends CardKind & SentKind>(kind: K, facts: Facts<K>, more?: More) => void;
  /** Puts away what was refused, once somebody has looked. */
  readonly forget: (entryId: string) => void;
  readonly retry: () => void;
}

/** The card of a job's visit: what the server has, and behind it what was made here and is on its way. */
export function useCard(jobId: string): CardHandle {
  const read = useRead('card', { params: { id: jobId }, refetchInterval: AGAIN_MS });
  const reply = read.data ?? null;
  const onCard = reply?.jobs.map((job) => job.id).join(' ') ?? jobId;
  const pending = usePending(
    useCallback((on: On) => on.jobId != null && onCard.split(' ').includes(on.jobId), [onCard]),
  );
  const addEntry = useAddEntry();
  const tag = reply?.unit.tag;
  const atHand = jobAtHand(reply) ?? jobId;
  const add = useCallback<CardHandle['add']>(
    (kind, facts, { jobId: other, ...more } = {}) => void addEntry(kind, facts, { jobId: other ?? atHand, tag }, more),
    [addEntry, atHand, tag],
  );
  const shown = useMemo(() => shownOf(reply, pending), [reply, pending]);
  return {
    reply,
    ...shown,
    jobId: atHand,
    pending: pending.filter((item) => item.state !== 'sent'),
    error: read.error,
    add,
    forget: (entryId) => void outbox().discard(entryId),
    retry: () => void read.refetch(),
  };
}

/** The job by which the card was opened, while it is worked on; else the first that is. */
function jobAtHand(reply: CardReply | null): string | undefined {
  if (reply === null || reply.job.state === 'open') return reply?.job.id;
  return reply.jobs.find((job) => job.state === 'open')?.id ?? reply.job.id;
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
    .reduce<VisitState>(
      (before, entry) => (card ? visitStateAfter(before, entry, card) : before),
      reply?.visit.state ?? 'waiting',
    );
  return { card, entries, state };
}
