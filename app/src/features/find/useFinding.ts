import type { NewEntry } from '@hudrik/core/contracts';
import { useCallback, useEffect, useRef, useState } from 'react';
import { call, isUnreachable, kv, newId, queryClient, Refused } from '@/api';
import { usePerson } from '@/features/session';
import { merge, type Entry, type LocalFinding } from './entries';

const keyOf = (tag: string | null): string => `hudrik-finding-${tag ?? 'by-itself'}`;
const NO_MACHINE: LocalFinding['machine'] = { engine: {}, past: {} };
const RETRY_MS = 15_000;

export interface FindingHandle {
  readonly finding: LocalFinding | null;
  readonly error: Error | null;
  readonly retry: () => void;
  readonly add: (entry: Omit<NewEntry, 'id'>) => void;
  readonly setMachine: (machine: LocalFinding['machine']) => void;
  readonly confirm: (causes: readonly string[], note: string) => Promise<void>;
  /** What the server would not take here goes into a finding of its own. */
  readonly goOnInNew: () => void;
  /** Begins anew: the old one stays on record. */
  readonly begin: (fresh?: Partial<Pick<LocalFinding, 'machine' | 'entries'>>) => void;
}

const start = (tag: string | null, fresh: Partial<Pick<LocalFinding, 'machine' | 'entries'>> = {}): LocalFinding => ({
  id: newId(),
  tag,
  machine: NO_MACHINE,
  limits: null,
  entries: [],
  closedAt: null,
  causes: null,
  jobId: null,
  opened: false,
  version: 0,
  ...fresh,
});

/** One finding, on the device first: each entry is kept here before it is sent, and sent until the server has it. */
export function useFinding(tag: string | null): FindingHandle {
  const person = usePerson();
  const [held, setHeld] = useState<LocalFinding | null>(null);
  const [error, setError] = useState<Error | null>(null);
  const [tries, setTries] = useState(0);
  const now = useRef<LocalFinding | null>(null);
  const keep = useCallback(
    (next: LocalFinding) => {
      now.current = next;
      setHeld(next);
      void kv.setItem(keyOf(tag), JSON.stringify(next));
    },
    [tag],
  );
  const sync = useSync(now, keep);
  useEffect(() => {
    let left = false;
    void load(tag).then(
      (found) => {
        if (left) return;
        keep(found);
        void sync();
      },
      (failure: Error) => void (left || setError(failure)),
    );
    return () => {
      left = true;
    };
  }, [tag, tries, keep, sync]);
  const change = useCallback(
    (make: (before: LocalFinding) => LocalFinding) => {
      if (now.current === null) return;
      keep(make(now.current));
      void sync();
    },
    [keep, sync],
  );
  const add = useCallback(
    (entry: Omit<NewEntry, 'id'>) =>
      change((before) => ({
        ...before,
        entries: [
          ...before.entries,
          { ...entry, id: newId(), at: new Date().toISOString(), by: person.name, sent: false },
        ],
      })),
    [change, person.name],
  );
  const setMachine = useCallback(
    (machine: LocalFinding['machine']) => {
      change((before) => ({ ...before, machine, machineUnsent: true }));
    },
    [change],
  );
  const confirm = useCallback(
    async (causes: readonly string[], note: string) => {
      await sync();
      const standing = now.current;
      if (standing === null) return;
      const record = await call('confirmCauses', {
        params: { id: standing.id },
        body: { causes: [...causes] as never, note },
      });
      keep(refusedIfUnsent(merge(record, now.current?.entries ?? [])));
      await queryClient.invalidateQueries();
    },
    [keep, sync],
  );
  const begin = useCallback(
    (fresh?: Partial<Pick<LocalFinding, 'machine' | 'entries'>>) => {
      keep(start(tag, fresh));
      void sync();
    },
    [keep, sync, tag],
  );
  const goOnInNew = useCallback(() => {
    const standing = now.current;
    if (standing) begin({ machine: standing.machine, entries: standing.entries.filter((entry) => !entry.sent) });
  }, [begin]);
  const retry = useCallback(() => {
    setError(null);
    setTries((count) => count + 1);
  }, []);
  return { finding: held, error, retry, add, setMachine, confirm, begin, goOnInNew };
}

/** What is on the device, and what the server has of it. Without a connection, the device's is enough. */
async function load(tag: string | null): Promise<LocalFinding> {
  const text = await kv.getItem(keyOf(tag));
  const kept = text ? (JSON.parse(text) as LocalFinding) : null;
  if (tag === null) return kept ?? start(null);
  try {
    const { finding } = await call('unitFinding', { params: { tag } });
    if (finding !== null)
      return kept?.id === finding.id ? merge(finding, kept.entries, saidAnew(kept)) : merge(finding, []);
    // Closed by somebody else meanwhile, or closed here: what came of it is shown, with what was seen here since.
    if (kept?.opened) {
      const record = await call('finding', { params: { id: kept.id } });
      if (record.closedAt !== null) return refusedIfUnsent(merge(record, kept.entries));
    }
    const fresh = kept && !kept.opened ? kept : start(tag);
    return merge(
      await call('openFinding', { body: { id: fresh.id, tag, machine: fresh.machine as never } }),
      fresh.entries,
    );
  } catch (error) {
    if (kept && isUnreachable(error)) return kept;
    throw error;
  }
}

/** Sends what the server has not, in order, one at a time; and tries again. */
function useSync(now: React.RefObject<LocalFinding | null>, keep: (next: LocalFinding) => void): () => Promise<void> {
  const busy = useRef<Promise<void> | null>(null);
  const sync = useCallback((): Promise<void> => {
    busy.current ??= sendAll(now, keep)
      // Away: tried again. Refused: kept, and said.
      .catch((error: unknown) => {
        if (now.current && error instanceof Refused && isFinal(error))
          keep({ ...now.current, refused: error.problem.code });
      })
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

async function sendAll(now: React.RefObject<LocalFinding | null>, keep: (next: LocalFinding) => void): Promise<void> {
  const standing = now.current;
  if (
    standing === null ||
    standing.closedAt !== null ||
    standing.refused ||
    (!standing.opened && standing.entries.length === 0)
  )
    return;
  if (!standing.opened) {
    const record = await call('openFinding', {
      body: { id: standing.id, tag: standing.tag, machine: standing.machine as never },
    });
    // Where somebody had begun already, theirs is gone on with, and what was said of the machine here goes to it.
    keep(merge(record, now.current?.entries ?? [], record.id === standing.id ? null : saidAnew(now.current)));
  }
  if (now.current?.machineUnsent) {
    const { machine } = now.current;
    await call('changeMachine', { params: { id: now.current.id }, body: { machine: machine as never } });
    if (now.current.machine === machine) keep({ ...now.current, machineUnsent: false });
  }
  for (;;) {
    const next = now.current?.entries.find((entry) => !entry.sent);
    if (next === undefined || now.current === null) return;
    await call('addEntry', { params: { id: now.current.id }, body: bodyOf(next) as never });
    const after: LocalFinding = now.current;
    keep({
      ...after,
      entries: after.entries.map((entry) => (entry.id === next.id ? { ...entry, sent: true } : entry)),
    });
  }
}

/** Asked again, it would be refused again. */
const isFinal = ({ problem: { status } }: Refused): boolean =>
  status >= 400 && status < 500 && status !== 401 && status !== 429;
const saidAnew = (held: LocalFinding | null): LocalFinding['machine'] | null =>
  held?.machineUnsent ? held.machine : null;
const refusedIfUnsent = (held: LocalFinding): LocalFinding => ({
  ...held,
  refused: held.entries.some((entry) => !entry.sent) ? 'finding-closed' : null,
});

const bodyOf = ({ id, kind, observation, outcomes, reading, fault }: Entry): NewEntry => ({
  id,
  kind,
  observation,
  outcomes,
  reading,
  fault,
});
