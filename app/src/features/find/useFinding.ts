import { isFaultId, isObservationId } from '@hudrik/core/catalogue';
import type { FindingRecord } from '@hudrik/core/contracts';
import type { Facts, FindingKind } from '@hudrik/core/log';
import { useCallback, useEffect, useMemo, useRef } from 'react';
import { isUnreachable, newId, Refused, usePerson, useRead } from '@/api';
import { outbox, useAddEntry, useEntry, usePending, type On } from '@/outbox';
import { findingOf, type LocalFinding, type MachineFacts, type Pointer } from './finding';
import { usePointer } from './usePointer';

/** Something seen, as a case file or a finding that was closed brings it along. */
export interface Brought {
  readonly kind: FindingKind;
  readonly facts: object;
}

interface Fresh {
  readonly machine?: MachineFacts;
  readonly brought?: readonly Brought[];
}

export interface FindingHandle {
  readonly finding: LocalFinding | null;
  /** Nobody has begun, and this person may not. */
  readonly isNothingOpen: boolean;
  readonly error: Error | null;
  readonly retry: () => void;
  readonly see: (observation: string, outcomes: readonly string[], reading: Record<string, unknown> | null) => void;
  readonly couldNotTell: (observation: string) => void;
  readonly takeBack: (observation: string) => void;
  readonly repaired: (fault: string) => void;
  /** It is known to be so without a look, and how; or not said any more. */
  readonly saidSo: (fault: string, so: boolean, why: string) => void;
  readonly setMachine: (machine: MachineFacts) => void;
  readonly confirm: (
    causes: readonly string[],
    note: string,
    more: Pick<Facts<'causes-confirmed'>, 'explains'>,
  ) => Promise<void>;
  /** What the server would not take here goes into a finding of its own. */
  readonly goOnInNew: () => void;
  /** Begins anew: the old one stays on record. */
  readonly begin: (fresh?: Fresh) => void;
}

/** One finding: of a unit, or of an engine by itself. */
export function useFinding(tag: string | null): FindingHandle {
  const { role } = usePerson();
  const [pointer, setPointer] = usePointer(tag);
  const { record, isKnown, error, retry } = useRecord(tag, pointer);
  const ids = [record?.id, pointer?.id];
  const idsKey = ids.join();
  const pending = usePending(
    // The ids are in the key.
    useCallback((on: On) => on.findingId !== undefined && idsKey.split(',').includes(on.findingId), [idsKey]),
  );
  const finding = useMemo(
    () => (pointer || record ? findingOf(tag, record, pointer ?? { id: record?.id ?? '' }, pending) : null),
    [tag, record, pointer, pending],
  );
  const add = useAddEntry();
  const confirmEntry = useEntry('causes-confirmed');
  const begin = useCallback(
    ({ machine, brought = [] }: Fresh = {}) => {
      const id = newId();
      setPointer({ id, ...(machine ? { machine } : {}) });
      if (tag !== null || brought.length > 0) openWith(add, tag, { id, ...(machine ? { machine } : {}) });
      for (const { kind, facts } of brought) void add(kind, facts as never, onOf(id, tag));
    },
    [add, setPointer, tag],
  );
  const mayWork = role !== 'counter';
  // Opening the screen of a unit on which nobody looks for a fault begins a finding: what its check-in showed is in it.
  const wantsBeginning = mayWork && isKnown && pointer !== undefined && finding === null;
  const begunFor = useRef<string | null>(null);
  useEffect(() => {
    if (!wantsBeginning || begunFor.current === (tag ?? '')) return;
    begunFor.current = tag ?? '';
    begin();
  }, [wantsBeginning, begin, tag]);
  // What somebody else began is gone on with here too: once it is closed, what was found is shown, and no other is begun by itself.
  const isTheirs = mayWork && tag !== null && pointer !== undefined && record !== null && pointer?.id !== record.id;
  const theirId = isTheirs ? record.id : null;
  useEffect(() => {
    if (theirId !== null) setPointer({ id: theirId });
  }, [theirId, setPointer]);
  const say = <K extends FindingKind>(kind: K, facts: Facts<K>): void => {
    if (finding === null) return;
    if (!finding.isBegun) openWith(add, tag, { id: finding.id, machine: finding.machine });
    void add(kind, facts, onOf(finding.id, tag));
  };
  return {
    finding,
    isNothingOpen: !mayWork && isKnown && finding === null,
    error: finding === null ? error : null,
    retry,
    begin,
    see: (observation, outcomes, reading) =>
      isObservationId(observation) && say('seen', { observation, outcomes: [...outcomes], reading }),
    couldNotTell: (observation) => isObservationId(observation) && say('could-not-tell', { observation }),
    takeBack: (observation) => isObservationId(observation) && say('taken-back', { observation }),
    repaired: (fault) => isFaultId(fault) && say('repaired', { fault }),
    saidSo: (fault, so, why) => isFaultId(fault) && say('said-so', { fault, so, why }),
    setMachine: (machine) => {
      if (finding?.isBegun) say('machine-described', { machine });
      else if (finding) setPointer({ id: finding.id, machine });
    },
    confirm: async (causes, note, more) => {
      if (finding === null) return;
      const facts = { causes: causes.filter(isFaultId), note, ...more };
      await confirmEntry.mutateAsync({ facts, on: onOf(finding.id, tag) });
    },
    goOnInNew: () => {
      if (finding === null) return;
      const brought = finding.refused.map((item) => ({ kind: item.kind as FindingKind, facts: item.facts }));
      begin({ machine: finding.machine, brought });
      for (const item of finding.refused) void outbox().discard(item.id);
    },
  };
}

const onOf = (findingId: string, tag: string | null): On => ({ findingId, ...(tag ? { tag } : {}) });

function openWith(add: ReturnType<typeof useAddEntry>, tag: string | null, { id, machine }: Pointer): void {
  const on = { findingId: id, ...(tag ? { tag } : {}) };
  void add('finding-opened', { machine: machine ?? { engine: {}, past: {} } }, on, { id });
}

interface RecordHandle {
  readonly record: FindingRecord | null;
  /** The server was asked, or cannot be: what is to be known is known. */
  readonly isKnown: boolean;
  readonly error: Error | null;
  readonly retry: () => void;
}

const AGAIN_MS = 15_000;

/** The server's record: the unit's open finding, or else the one that this device went on with, closed meanwhile. */
function useRecord(tag: string | null, pointer: Pointer | null | undefined): RecordHandle {
  const open = useRead('unitFinding', { params: { tag: tag ?? '' }, enabled: tag !== null, refetchInterval: AGAIN_MS });
  const isOpen = tag !== null && open.data?.finding != null;
  const wantsOwn = pointer != null && !isOpen && (tag === null || open.data !== undefined);
  const own = useRead('finding', { params: { id: pointer?.id ?? '' }, enabled: wantsOwn, staleTime: 0 });
  const ownIsKnown = !wantsOwn || own.data !== undefined || own.isError;
  const openIsKnown = tag === null || open.data !== undefined || isUnreachable(open.error);
  const failed = open.error instanceof Refused ? open.error : null;
  return {
    record: (isOpen ? open.data?.finding : own.data) ?? null,
    isKnown: openIsKnown && ownIsKnown,
    error: failed,
    retry: () => void open.refetch(),
  };
}
