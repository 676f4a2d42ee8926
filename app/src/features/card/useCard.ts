import {
  cardOf,
  stateAfter,
  type Card,
  type CardEntry,
  type CardFacts,
  type CardKind,
  type JobState,
} from '@hudrik/core/card';
import type { CardReply } from '@hudrik/core/contracts';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { call, deliverPhoto, isUnreachable, kv, newId, queryClient, Refused } from '@/api';
import { usePerson } from '@/features/session';
import { isFinal, sayRefusal } from './say';

/** An entry on its way to the server. What the server would not take stays until somebody has looked. */
export interface Unsent {
  readonly entry: CardEntry;
  readonly refused: string | null;
}

interface Kept {
  readonly reply: CardReply | null;
  readonly unsent: readonly Unsent[];
  /** Server's time less the device's, milliseconds. */
  readonly ahead: number;
}

export interface CardHandle {
  readonly reply: CardReply | null;
  readonly card: Card | null;
  readonly entries: readonly CardEntry[];
  readonly state: JobState;
  readonly unsent: readonly Unsent[];
  readonly error: Error | null;
  readonly add: <K extends CardKind>(kind: K, facts: CardFacts[K]) => void;
  /** Takes back what was not taken, or has not been sent yet. */
  readonly forget: (entryId: string) => void;
  readonly retry: () => void;
  /** Server's time less the device's, milliseconds. */
  readonly ahead: number;
}

const keyOf = (id: string): string => `hudrik-card-${id}`;
const AGAIN_MS = 15_000;
const NOTHING: Kept = { reply: null, unsent: [], ahead: 0 };

/** One card, on the device first: each entry is kept here before it is sent, and stands on the screen at once. */
export function useCard(jobId: string): CardHandle {
  const person = usePerson();
  const now = useRef<Kept>(NOTHING);
  const [kept, setKept] = useState<Kept>(NOTHING);
  const [error, setError] = useState<Error | null>(null);
  const [tries, setTries] = useState(0);
  const keep = useCallback(
    (next: Kept) => {
      now.current = next;
      setKept(next);
      void kv.setItem(keyOf(jobId), JSON.stringify(next));
    },
    [jobId],
  );
  const sync = useSync(jobId, now, keep, setError);
  useEffect(() => {
    let left = false;
    void kv.getItem(keyOf(jobId)).then((text) => {
      if (left) return;
      if (text) keep(JSON.parse(text) as Kept);
      void sync();
    });
    return () => {
      left = true;
    };
  }, [jobId, tries, keep, sync]);
  const add = useCallback(
    <K extends CardKind>(kind: K, facts: CardFacts[K]) => {
      const at = new Date(Date.now() + now.current.ahead).toISOString();
      keep({
        ...now.current,
        unsent: [
          ...now.current.unsent,
          { entry: { id: newId(), at, by: person.name, kind, facts } as CardEntry, refused: null },
        ],
      });
      void sync();
    },
    [keep, sync, person.name],
  );
  const forget = useCallback(
    (entryId: string) =>
      keep({ ...now.current, unsent: now.current.unsent.filter(({ entry }) => entry.id !== entryId) }),
    [keep],
  );
  const retry = useCallback(() => {
    setError(null);
    setTries((count) => count + 1);
  }, []);
  const standing = useMemo(() => standingOf(kept), [kept]);
  return { reply: kept.reply, ...standing, unsent: kept.unsent, error, add, forget, retry, ahead: kept.ahead };
}

/** The server's entries with what is on its way behind them. */
function standingOf({ reply, unsent }: Kept): Pick<CardHandle, 'card' | 'entries' | 'state'> {
  const known = new Set(reply?.entries.map((entry) => entry.id));
  const own = unsent.filter(({ entry, refused }) => refused === null && !known.has(entry.id)).map(({ entry }) => entry);
  const entries = [...(reply?.entries ?? []), ...own];
  // What a proof comes to is the server's to say: it has the last word on what is missing.
  const state = own
    .filter((entry) => entry.kind !== 'proved')
    .reduce<JobState>(stateAfter, (reply?.job.state ?? 'waiting') as JobState);
  return { card: reply === null ? null : cardOf(entries), entries, state };
}

/** Sends what waits, in order, one at a time; then reads what others did. */
function useSync(
  jobId: string,
  now: React.RefObject<Kept>,
  keep: (next: Kept) => void,
  fail: (error: Error | null) => void,
): () => Promise<void> {
  const busy = useRef<Promise<void> | null>(null);
  const again = useRef(false);
  const sync = useCallback((): Promise<void> => {
    again.current = busy.current !== null;
    busy.current ??= run(jobId, now, keep)
      .then(() => fail(null))
      .catch((error: Error) => {
        if (now.current.reply === null || !isUnreachable(error)) fail(error);
      })
      .finally(() => {
        busy.current = null;
        if (again.current) void sync();
      });
    return busy.current;
  }, [jobId, now, keep, fail]);
  useEffect(() => {
    const tick = () => void sync();
    const timer = setInterval(tick, AGAIN_MS);
    globalThis.addEventListener?.('online', tick);
    return () => {
      clearInterval(timer);
      globalThis.removeEventListener?.('online', tick);
    };
  }, [sync]);
  return sync;
}

async function run(jobId: string, now: React.RefObject<Kept>, keep: (next: Kept) => void): Promise<void> {
  const take = (reply: CardReply, sent: string | null): void =>
    keep({
      reply,
      unsent: now.current.unsent.filter(({ entry }) => entry.id !== sent),
      ahead: Date.parse(reply.now) - Date.now(),
    });
  let changed = false;
  for (;;) {
    const next = now.current.unsent.find(({ refused }) => refused === null);
    if (next === undefined) break;
    const { id, at, kind, facts } = next.entry;
    try {
      if (kind === 'photo') await deliverPhoto((facts as CardFacts['photo']).photoId);
      take(
        (await call('addCardEntry', { params: { id: jobId }, body: { id, at, kind, facts } as never })) as CardReply,
        id,
      );
      changed = true;
    } catch (error) {
      if (!(error instanceof Refused) || !isFinal(error)) throw error;
      keep({
        ...now.current,
        unsent: now.current.unsent.map((one) => (one.entry.id === id ? { ...one, refused: sayRefusal(error) } : one)),
      });
    }
  }
  if (changed) void queryClient.invalidateQueries();
  else take((await call('card', { params: { id: jobId } })) as CardReply, null);
}
