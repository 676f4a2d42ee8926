import type { InferType } from 'yup';
import type { Frozen } from '../fields/frozen';
import { LOG_KINDS } from './kinds';
import type { Entry, LogKind, Place, Telling, Wording } from './shape';

type Kinds = typeof LOG_KINDS;
export type KindId = keyof Kinds;

/** What is written down with an entry of a kind. */
export type Facts<K extends KindId> = Frozen<InferType<Kinds[K]['facts']>>;

type Outcome<K extends KindId> = Parameters<Kinds[K]['sentence']>[1];

/** An entry of one kind, or of any. */
export type LogEntry<K extends KindId = KindId> = { [T in K]: Entry<T, Facts<T>, Outcome<T>> }[K];

/** The kinds that a device may send; the others the server alone writes. */
export type SentKind = { [K in KindId]: Kinds[K]['who'] extends readonly [] ? never : K }[KindId];

export type KindsOn<P extends Place> = { [K in KindId]: Kinds[K]['on'] extends P ? K : never }[KindId];

/** The kinds that happen on a job's card. A note may stand there too. */
export type CardKind = KindsOn<'job'> | 'note';
export type CardEntry = LogEntry<CardKind>;

/** The kinds that say something of a finding. */
export type FindingKind = KindsOn<'finding'>;
export type FindingEntry = LogEntry<FindingKind>;

/** Whether what was read from the log is an entry of this kind: facts and outcome were checked when it was taken. */
export const isOf = <K extends KindId, R extends Pick<Entry, 'kind' | 'facts' | 'outcome'>>(
  record: R,
  kind: K,
): record is R & { readonly kind: K; readonly facts: Facts<K>; readonly outcome: Outcome<K> } => record.kind === kind;

/** All kinds. */
export const LOG_KIND_IDS: readonly KindId[] = Object.values(LOG_KINDS).map((kind) => kind.kind);

export const isLogKind = (kind: string): kind is KindId => Object.hasOwn(LOG_KINDS, kind);

/** What a kind is, seen from outside: facts and outcomes are whatever they are. */
type AnyKind = LogKind<string, Place, any, any>;

/** The kind of this name; undefined for what is none (an entry of a later edition, say). */
export const kindOf = (kind: string): AnyKind | undefined => (isLogKind(kind) ? LOG_KINDS[kind] : undefined);

/** An entry as a person would tell it. One of an unknown kind is told by its kind. */
export const tellEntry = (entry: Pick<Entry, 'kind' | 'facts' | 'outcome'>, wording: Wording): Telling =>
  kindOf(entry.kind)?.sentence(entry.facts, entry.outcome ?? {}, wording) ?? {
    title: entry.kind.replaceAll('-', ' '),
    lines: [],
  };
