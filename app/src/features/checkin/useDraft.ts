import { useCallback, useEffect, useRef, useState } from 'react';
import { askOrKept, kv, newId, serverTime } from '@/api';
import { startDraft, type Draft } from './draft';

const keyOf = (tag: string): string => `hudrik-draft-${tag}`;

export interface DraftHandle {
  readonly draft: Draft | null;
  readonly error: Error | null;
  readonly retry: () => void;
  /** Changes the draft; it is on the device before anything else happens. */
  readonly change: (next: Partial<Draft> | ((draft: Draft) => Partial<Draft>)) => void;
  readonly drop: () => Promise<void>;
}

/** The draft of one unit's check-in: found again after reload, closed tab or lost connection, or started now. */
export function useDraft(tag: string): DraftHandle {
  const [draft, setDraft] = useState<Draft | null>(null);
  const [error, setError] = useState<Error | null>(null);
  const [tries, setTries] = useState(0);
  const dropped = useRef(false);
  useEffect(() => {
    let left = false;
    void begin(tag).then(
      (found) => void (left || setDraft(found)),
      (failure: Error) => void (left || setError(failure)),
    );
    return () => {
      left = true;
    };
  }, [tag, tries]);
  useEffect(() => {
    if (draft && !dropped.current) void kv.setItem(keyOf(tag), JSON.stringify(draft));
  }, [tag, draft]);
  const change = useCallback(
    (next: Partial<Draft> | ((draft: Draft) => Partial<Draft>)) =>
      setDraft((before) => before && { ...before, ...(typeof next === 'function' ? next(before) : next) }),
    [],
  );
  const drop = useCallback(async () => {
    dropped.current = true;
    await kv.removeItem(keyOf(tag));
  }, [tag]);
  const retry = useCallback(() => {
    setError(null);
    setTries((count) => count + 1);
  }, []);
  return { draft, error, retry, change, drop };
}

async function begin(tag: string): Promise<Draft> {
  const kept = await kv.getItem(keyOf(tag));
  if (kept === null) return startDraft(await askOrKept('opening', { tag }), newId(), serverTime());
  const draft: Draft = JSON.parse(kept);
  const opening = await askOrKept('opening', { tag }).catch(() => null);
  // Begun before it was handed out, it is no look at its return.
  const outAt = opening?.hire?.outAt ?? null;
  if (opening === null || outAt === null || outAt <= draft.startedAt) return draft;
  return { ...startDraft(opening, newId(), serverTime()), isAnew: true };
}

/** Puts a draft back that had left for the server and was refused. */
export const restoreDraft = (tag: string, draft: unknown): Promise<void> =>
  kv.setItem(keyOf(tag), JSON.stringify(draft));
