import type { LogRecord, OperationId, Person, Problem, SentLogEntry } from '@hudrik/core/contracts';

/** Somebody as an item names them. Without an id: made by an earlier version, which kept the name only. */
export interface Who {
  readonly id: number | null;
  readonly name: string;
}

export const isBy = (who: Who | null, person: Person): boolean =>
  who !== null && (who.id === null ? who.name === person.name : who.id === person.id);

/** What an entry hangs on. */
export interface On {
  readonly tag?: string | undefined;
  readonly jobId?: string | undefined;
  readonly findingId?: string | undefined;
  readonly lineId?: string | undefined;
}

interface Common {
  /** Of the entry or the photo: made here, so that sending it twice makes one. */
  readonly id: string;
  /** Who made it: it is sent as theirs, or not at all. Null: made before names were kept; somebody must say that it is theirs. */
  readonly maker: Who | null;
  /** By the device's clock, the offset added that it knew. */
  readonly madeAt: string;
  /** Milliseconds that the server's clock was ahead of the device's, as it was known then; older ones, and where it never was measured: none. */
  readonly offsetMs?: number | null;
  readonly on: On;
}

export interface EntryContent {
  readonly what: 'entry';
  readonly kind: SentLogEntry['kind'];
  readonly facts: object;
  /** What it was made from, so that a refused one can be opened again. */
  readonly draft?: unknown;
}

interface PhotoContent {
  readonly what: 'photo';
  readonly type: string;
  readonly bytes: ArrayBuffer;
}

/** A change that is no entry: a call of the API, as it is made. */
interface CallContent {
  readonly what: 'call';
  readonly operation: OperationId;
  readonly options: {
    readonly params?: Readonly<Record<string, string>>;
    readonly query?: Readonly<Record<string, string | number | undefined>>;
    readonly body?: unknown;
    readonly seenVersion?: number;
  };
}

/** Something made on this device, before it is kept. */
export type NewItem = Common & (EntryContent | PhotoContent | CallContent);

/** What came of sending: the entry as it was taken, the reply to a call. */
export interface Delivered {
  readonly answer: LogRecord | null;
  readonly reply?: unknown;
}

interface Sending extends Delivered {
  /** Its place in the order in which things were made here. */
  readonly place: number;
  readonly state: 'waiting' | 'refused' | 'sent';
  /** A lead who sends it on for its maker. */
  readonly sender: Who | null;
  readonly problem: Problem | null;
  /** When the server took or refused it, milliseconds. */
  readonly settledAt: number | null;
  /** On the device; else only in this page, because the device would not keep it. */
  readonly isKept: boolean;
}

export type Item = NewItem & Sending;
export type EntryItem = Item & EntryContent;

/** Kept, but without a place yet. */
export type Fresh = NewItem & Omit<Sending, 'place'>;
/** What may change of an item: how far it has come, and who says that it is theirs. */
export type ItemChange = Partial<Sending> & { readonly maker?: Who };

export const fresh = (item: NewItem, isKept: boolean): Fresh => ({
  ...item,
  state: 'waiting',
  sender: null,
  problem: null,
  settledAt: null,
  answer: null,
  isKept,
});

export const isEntry = (item: Item): item is EntryItem => item.what === 'entry';

/** Whether it goes out while this person is signed in: what they made, and what they as a lead send on. */
export const goesOutAs = (item: Item, person: Person): boolean =>
  isBy(item.maker, person) || (isBy(item.sender, person) && person.role === 'lead');

/** What must arrive in order: things of one job, finding or unit never overtake each other. */
export const threadOf = ({ on }: Item): string => on.jobId ?? on.findingId ?? on.lineId ?? on.tag ?? '';
