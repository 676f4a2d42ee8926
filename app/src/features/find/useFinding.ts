import type { NewEntry } from '@hudrik/core/contracts';
import { useCallback, useEffect, useRef, useState } from 'react';
import { call, isUnreachable, kv, newId, queryClient } from '@/api';
import { usePerson } from '@/features/session';
import { merge, type Entry, type Held } from './entries';

const keyOf = (tag: string | null): string => `hudrik-finding-${tag ?? 'by-itself'}`;
const NO_MACHINE: Held['machine'] = { engine: {}, past: {} };
const RETRY_MS = 15_000;

export interface FindingHandle {
  readonly held: Held | null;
  readonly error: Error | null;
  readonly retry: () => void;
  readonly add: (entry: Omit<NewEntry, 'id'>) => void;
  readonly setMachine: (machine: Held['machine']) => void;
  readonly confirm: (causes: readonly string[], note: string) => Promise<void>;
  /** Begins anew: the old one stays on record. */
  readonly begin: (fresh?: Partial<Pick<Held, 'machine' | 'entries'>>) => void;
}

const start = (tag: string | null, fresh: Partial<Pick<Held, 'machine' | 'entries'>> = {}): Held => ({ id: newId(), tag, machine: NO_MACHINE, limits: null, entries: [], closedAt: null, causes: null, jobId: null, opened: false, version: 0, ...fresh });

/** One finding, on the device first: each entry is kept here before it is sent, and sent until the server has it. */
export function useFinding(tag: string | null): FindingHandle {
  const person = usePerson();
  const [held, setHeld] = useState<Held | null>(null);
  const [error, setError] = useState<Error | null>(null);
  const [tries, setTries] = useState(0);
  const now = useRef<Held | null>(null);
  const keep = useCallback((next: Held) => {
    now.current = next;
    setHeld(next);
    void kv.setItem(keyOf(tag), JSON.stringify(next));
  }, [tag]);
  const sync = useSync(now, keep);
  useEffect(() => {
    let left = false;
    void load(tag).then(
      (found) => void (left || keep(found)),
      (failure: Error) => void (left || setError(failure)),
    );
    return () => {
      left = true;
    };
  }, [tag, tries, keep]);
  const change = useCallback(
    (make: (before: Held) => Held) => {
      if (now.current === null) return;
      keep(make(now.current));
      void sync();
    },
    [keep, sync],
  );
  const add = useCallback((entry: Omit<NewEntry, 'id'>) => change((before) => ({ ...before, entries: [...before.entries, { ...entry, id: newId(), at: new Date().toISOString(), by: person.name, sent: false }] })), [change, person.name]);
  const setMachine = useCallback((machine: Held['machine']) => {
    change((before) => ({ ...before, machine }));
    const standing = now.current;
    if (standing?.opened) void call('changeMachine', { params: { id: standing.id }, body: { machine: machine as never } }).catch(() => undefined);
  }, [change]);
  const confirm = useCallback(async (causes: readonly string[], note: string) => {
    await sync();
    const standing = now.current;
    if (standing === null) return;
    const record = await call('confirmCauses', { params: { id: standing.id }, body: { causes: [...causes] as never, note } });
    keep(merge(record, []));
    await queryClient.invalidateQueries();
  }, [keep, sync]);
  const begin = useCallback((fresh?: Partial<Pick<Held, 'machine' | 'entries'>>) => {
    keep(start(tag, fresh));
    void sync();
  }, [keep, sync, tag]);
  const retry = useCallback(() => {
    setError(null);
    setTries((count) => count + 1);
  }, []);
  return { held, error, retry, add, setMachine, confirm, begin };
}

/** What is on the device, and what the server has of it. Without a connection, the device's is enough. */
async function load(tag: string | null): Promise<Held> {
  const text = await kv.getItem(keyOf(tag));
  const kept = text ? (JSON.parse(text) as Held) : null;
  if (tag === null) return kept ?? start(null);
  try {
    const { finding } = await call('unitFinding', { params: { tag } });
    if (finding !== null) return merge(finding, kept?.id === finding.id ? kept.entries : []);
    // Closed by somebody else meanwhile, or closed here: what came of it is shown.
    if (kept?.opened) {
      const record = await call('finding', { params: { id: kept.id } });
      if (record.closedAt !== null) return merge(record, []);
    }
    const fresh = kept && !kept.opened ? kept : start(tag);
    return merge(await call('openFinding', { body: { id: fresh.id, tag, machine: fresh.machine as never } }), fresh.entries);
  } catch (error) {
    if (kept && isUnreachable(error)) return kept;
    throw error;
  }
}

/** Sends what the server has not, in order, one at a time; and tries again. */
function useSync(now: React.RefObject<Held | null>, keep: (next: Held) => void): () => Promise<void> {
  const busy = useRef<Promise<void> | null>(null);
  const sync = useCallback((): Promise<void> => {
    busy.current ??= sendAll(now, keep)
      .catch(() => undefined)
      .finally(() => {
        busy.current = null;
      });
    return busy.current;
  }, [now, keep]);
  useEffect(() => {
    const again = () => void sync();
    const timer = setInterval(again, RETRY_MS);
    globalThis.addEventListener?.('online', again);
    return () => {
      clearInterval(timer);
      globalThis.removeEventListener?.('online', again);
    };
  }, [sync]);
  return sync;
}

async function sendAll(now: React.RefObject<Held | null>, keep: (next: Held) => void): Promise<void> {
  const standing = now.current;
  if (standing === null || standing.closedAt !== null || (!standing.opened && standing.entries.length === 0)) return;
  if (!standing.opened) {
    const record = await call('openFinding', { body: { id: standing.id, tag: standing.tag, machine: standing.machine as never } });
    keep(merge(record, now.current?.entries ?? []));
  }
  for (;;) {
    const next = now.current?.entries.find((entry) => !entry.sent);
    if (next === undefined || now.current === null) return;
    await call('addEntry', { params: { id: now.current.id }, body: bodyOf(next) as never });
    const after: Held = now.current;
    keep({ ...after, entries: after.entries.map((entry) => (entry.id === next.id ? { ...entry, sent: true } : entry)) });
  }
}

const bodyOf = ({ id, kind, observation, outcomes, reading, fault }: Entry): NewEntry => ({ id, kind, observation, outcomes, reading, fault });
