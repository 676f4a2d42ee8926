import type { ChangeId, LogRecord } from '@hudrik/core/contracts';
import type { Entry, Facts, SentKind } from '@hudrik/core/log';
import { useMutation } from '@tanstack/react-query';
import { useCallback, useMemo, useSyncExternalStore } from 'react';
import { Refused, type CallOptions, type Reply } from '@/api/client';
import { newId } from '@/api/newId';
import { usePerson } from '@/api/person';
import { clockAhead, serverTime } from '@/api/serverTime';
import { outbox } from './current';
import { readDraftPhoto } from './draftPhotos';
import { isEntry, type EntryItem, type Item, type NewItem, type On } from './item';
import type { Waiting } from './Outbox';

export const useWaiting = (): Waiting => useSyncExternalStore(outbox().subscribe, outbox().shown, outbox().shown);

interface More {
  /** Made earlier, by whoever begins something that has this id. */
  readonly id?: string;
  /** Photos taken for it, which go ahead of it. */
  readonly photos?: readonly string[];
  /** What it was made from, to be opened again. */
  readonly draft?: unknown;
}

/** Something that happened: on the device first, then on its way. Out: its id, once it is kept. */
export type AddEntry = <K extends SentKind>(kind: K, facts: Facts<K>, on: On, more?: More) => Promise<string>;

export function useAddEntry(): AddEntry {
  const { id: personId, name } = usePerson();
  return useCallback(
    async (kind, facts, on, { id = newId(), photos = [], draft } = {}) => {
      const made = madeBy({ id: personId, name }, on);
      const content = { what: 'entry', kind, facts } as const;
      await outbox().keep({ ...made, ...content, id, ...(draft === undefined ? {} : { draft }) }, photos);
      return id;
    },
    [personId, name],
  );
}

const madeBy = (maker: NewItem['maker'], on: On): Pick<NewItem, 'maker' | 'madeAt' | 'offsetMs' | 'on'> => ({
  ...{ maker, on, madeAt: serverTime().toISOString(), offsetMs: clockAhead() },
});

/** How long a person waits to hear what the server says of it. */
const ANSWER_MS = 8000;

export interface Added {
  readonly id: string;
  /** The entry as the server took it; null: it waits, on this device or, where that would keep nothing, in this page. */
  readonly answer: LogRecord | null;
  readonly isKept: boolean;
}

interface Adding<K extends SentKind> extends More {
  readonly facts: Facts<K>;
  readonly on: On;
}

/** Something that happened, and what the server says of it. What it refuses at once is told here, and waits in no list. */
export function useEntry<K extends SentKind>(kind: K) {
  const addEntry = useAddEntry();
  return useMutation<Added, Error, Adding<K>>({
    mutationFn: async ({ facts, on, ...more }) => {
      const id = await addEntry(kind, facts, on, more);
      const item = await settled(id, more.draft === undefined);
      return { id, answer: item?.answer ?? null, isKept: item?.isKept ?? true };
    },
  });
}

/** What became of it. What is refused at once is told here, and waits in no list, unless it is to be opened again. */
async function settled(id: string, isTold: boolean): Promise<Item | undefined> {
  const item = await outbox().settled(id, ANSWER_MS);
  if (item?.state === 'refused' && item.problem && isTold) {
    await outbox().discard(id);
    throw new Refused(item.problem);
  }
  return item;
}

/**
 * A change that is no entry: on the device first, then on its way; when it was taken, whatever is on the screen is read anew. Out: the reply;
 * null: it waits.
 */
export function useChange<Id extends ChangeId>(operation: Id) {
  const { id: personId, name } = usePerson();
  return useMutation<Reply<Id> | null, Error, CallOptions<Id>>({
    mutationFn: async ({ params, query, body, seenVersion }) => {
      const id = newId();
      const tag = params?.['tag'];
      const made = madeBy({ id: personId, name }, tag === undefined ? {} : { tag });
      const asked = { params, query, body, seenVersion };
      const given = Object.fromEntries(Object.entries(asked).filter(([, value]) => value !== undefined));
      await outbox().keep({ ...made, id, what: 'call', operation, options: given });
      return ((await settled(id, true))?.reply ?? null) as Reply<Id> | null;
    },
  });
}

/** What is on its way of something, as the log will have it: what a screen shows behind what the server said. */
export function usePending(isHere: (on: On) => boolean): readonly EntryItem[] {
  const { items } = useWaiting();
  return useMemo(() => items.filter(isEntry).filter((item) => isHere(item.on)), [items, isHere]);
}

/** An item as an entry of the log. */
export const entryOf = (item: EntryItem): Entry =>
  item.answer ?? {
    id: item.id,
    at: item.madeAt,
    by: item.maker?.name ?? null,
    kind: item.kind,
    facts: item.facts,
    outcome: {},
    jobId: item.on.jobId ?? null,
  };

/** The server's entries, and behind them what it has not got, or had not when it was asked. What it refused is not among them. */
export function withPending(known: readonly Entry[], pending: readonly EntryItem[]): Entry[] {
  const there = new Set(known.map((one) => one.id));
  return [...known, ...pending.filter((item) => item.state !== 'refused' && !there.has(item.id)).map(entryOf)];
}

/** The bytes of a photo while it is on this device: of a draft, or on its way. */
export async function photoHere(id: string): Promise<Blob | null> {
  const draft = await readDraftPhoto(id);
  if (draft) return new Blob([draft.bytes], { type: draft.type });
  await outbox().opened();
  const item = outbox()
    .shown()
    .items.find((one: Item) => one.id === id && one.state !== 'sent');
  return item?.what === 'photo' ? new Blob([item.bytes], { type: item.type }) : null;
}
