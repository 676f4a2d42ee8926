import type { Person } from '@hudrik/core/contracts';
import { openDevice } from './device';
import { fresh, isBy, type Delivered, type Item, type ItemChange, type NewItem } from './item';
import { storeInPage, storeOn, type ItemStore } from './itemStore';
import { Bell, keepSending, sendWaiting, type Passed } from './sender';
import type { Slip, Slipped } from './slip';
import { turnByLease, turnByLocks, type LeaseTimes, type Turn } from './turn';

/** Why the device keeps nothing: it is full, or this page may not keep anything (a private window, say). */
export type Trouble = 'full' | 'forbidden';

/** Where something is kept. */
export type Kept = 'on-device' | 'in-page';

export interface Parts {
  /** The name of the store on the device. */
  readonly name: string;
  readonly deliver: (item: Item, as: Person) => Promise<Delivered>;
  /** The bytes of photos, while they are drafts on the device, and the end of that. */
  readonly photos: {
    readonly read: (id: string) => Promise<{ readonly type: string; readonly bytes: ArrayBuffer } | null>;
    readonly drop: (id: string) => Promise<void>;
  };
  /** Written at once, within the tap: where the page is left before the device has kept it. */
  readonly slip: Slip;
  /** The browser's locks, where the page may use them. */
  readonly locks: Pick<LockManager, 'request'> | null;
  readonly lease: LeaseTimes;
}

export interface Waiting {
  readonly items: readonly Item[];
  /** Set while the device keeps nothing. */
  readonly trouble: Trouble | null;
}

/** Theirs to decide about. */
const belongsTo = (item: Item, person: Person): boolean => isBy(item.maker, person);

/**
 * Everything that was made here and has not reached the server: entries of every kind, and photos. It is on the device before anything is
 * sent; one page of all that are open sends, from any screen and after any reload; it goes out as its maker's only.
 */
export class Outbox {
  #shown: Waiting = { items: [], trouble: null };
  #trouble: Trouble | null = null;
  #stored: readonly Item[] = [];
  /** On their way to the device. */
  #arriving: readonly Item[] = [];
  #device: ItemStore | null = null;
  #reading: Promise<unknown> = Promise.resolve();
  /** A reading of the stores that has not begun. */
  #next: Promise<void> | null = null;
  readonly #page = storeInPage();
  #person: Person | null = null;
  #hasTurn = false;
  /** Tried, and nobody answered. */
  readonly #left = new Set<string>();
  readonly #bell = new Bell();
  readonly #stop = new AbortController();
  readonly #listeners = new Set<() => void>();
  readonly #settledListeners = new Set<() => void>();
  readonly #tabs: BroadcastChannel | null;
  #keeping: Promise<unknown> = Promise.resolve();
  #ended: Promise<unknown> = Promise.resolve();
  readonly #opened: Promise<void>;

  constructor(private readonly parts: Parts) {
    this.#tabs = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(parts.name);
    if (this.#tabs)
      this.#tabs.onmessage = ({ data }: MessageEvent<{ settled: boolean }>) => void this.#hear(data.settled);
    this.#opened = this.#open();
  }

  async #open(): Promise<void> {
    let turn: Turn | null = null;
    try {
      const device = await openDevice(this.parts.name, () => this.#lose('forbidden'));
      this.#device = storeOn(device);
      this.#stop.signal.addEventListener('abort', () => device.close());
      turn = this.parts.locks
        ? turnByLocks(this.parts.locks)
        : turnByLease(device, crypto.getRandomValues(new Uint32Array(2)).join('-'), this.parts.lease);
    } catch {
      this.#lose('forbidden');
    }
    await this.#load();
    // What a page that was left at once had no time to keep. Once more is no harm: its id makes it one.
    for (const slipped of this.parts.slip.all()) void this.#arrive(slipped);
    this.#ended = Promise.allSettled([turn?.hold((lost) => this.#take(lost), this.#stop.signal), this.#send()]);
  }

  #lose(trouble: Trouble): void {
    this.#trouble = trouble;
    this.#show(this.#stored);
  }

  /** Holds the turn to send what is on the device. */
  async #take(lost: AbortSignal): Promise<void> {
    this.#hasTurn = true;
    this.#bell.ring();
    await new Promise<void>((resolve) => {
      if (lost.aborted) resolve();
      else lost.addEventListener('abort', () => resolve(), { once: true });
    });
    this.#hasTurn = false;
  }

  #send(): Promise<void> {
    return keepSending(() => this.#pass(), this.#bell, this.#stop.signal);
  }

  async #pass(): Promise<Passed> {
    const person = this.#person;
    if (person === null) return { isLeft: false, hasMoved: false };
    const held = this.#hasTurn;
    const items = [...(held ? await this.#onDevice() : []), ...(await this.#page.all())];
    this.#left.clear();
    return sendWaiting({
      items,
      person,
      deliver: this.parts.deliver,
      settle: async (item, change) => {
        await this.#storeOf(item).change(item.place, change);
        this.#settle(item, change);
      },
      leave: (item) => {
        this.#left.add(item.id);
        this.#tell();
      },
      forget: async (places) => {
        await Promise.all([this.#device?.remove(places), this.#page.remove(places)]);
        await this.#changed();
      },
      mayGoOn: () => this.#person?.id === person.id && this.#hasTurn === held && !this.#stop.signal.aborted,
    });
  }

  async #onDevice(): Promise<Item[]> {
    try {
      return (await this.#device?.all()) ?? [];
    } catch {
      return [];
    }
  }

  #storeOf(item: Item): ItemStore {
    return item.isKept && this.#device ? this.#device : this.#page;
  }

  /** Reads all that is stored anew. Who asks while it is read waits for the next reading, all of them for the same. */
  #load(): Promise<void> {
    this.#next ??= this.#reading.then(async () => {
      this.#next = null;
      this.#show([...(await this.#onDevice()), ...(await this.#page.all())]);
    });
    this.#reading = this.#next;
    return this.#next;
  }

  #show(stored: readonly Item[]): void {
    this.#stored = stored;
    const there = new Set(stored.map((item) => item.id));
    const arriving = this.#arriving.filter((item) => !there.has(item.id));
    this.#shown = { items: [...stored, ...arriving], trouble: this.#trouble };
    this.#tell();
  }

  #tell(): void {
    for (const listener of this.#listeners) listener();
  }

  /** Something is not as it was: shown here, and said to the other pages. */
  async #changed(): Promise<void> {
    await this.#load();
    this.#say(false);
  }

  /** The server took or refused one. All others stay the same: hundreds may go out one after the other. */
  #settle({ id, place }: Item, change: ItemChange): void {
    if (change.state === 'sent') this.parts.slip.drop(id);
    this.#show(this.#stored.map((item) => (item.place === place ? { ...item, ...change } : item)));
    this.#say(true);
    this.#tellSettled();
  }

  #say(settled: boolean): void {
    if (!this.#stop.signal.aborted) this.#tabs?.postMessage({ settled });
  }

  #tellSettled(): void {
    for (const listener of this.#settledListeners) listener();
  }

  async #hear(settled: boolean): Promise<void> {
    await this.#load();
    if (settled) this.#tellSettled();
    else this.#bell.ring();
  }

  /** Who is signed in: what they made goes out. */
  setPerson(person: Person | null): void {
    this.#person = person;
    if (person) this.#bell.ring();
  }

  /** Tries everything now: the connection came back, or somebody asks for it. */
  tryNow(): void {
    this.#bell.ring();
  }

  /**
   * Keeps something, and the photos that were taken for it and go ahead of it, all or none; what is asked for first is kept first. It is shown at
   * once, and called kept when it is. Out: whether it is on the device, or, where that would not keep it, only in this page.
   */
  keep(item: NewItem, photos: readonly string[] = []): Promise<Kept> {
    this.parts.slip.write({ item, photos });
    return this.#arrive({ item, photos });
  }

  #arrive({ item, photos }: Slipped): Promise<Kept> {
    this.#arriving = [...this.#arriving, { ...fresh(item, false), place: Number.MAX_SAFE_INTEGER }];
    this.#show(this.#stored);
    const kept = this.#keeping.then(() => this.#keep(item, photos));
    this.#keeping = kept.catch(() => undefined);
    return kept;
  }

  async #keep(item: NewItem, photos: readonly string[]): Promise<Kept> {
    await this.#opened;
    const items = [...(await this.#ahead(item, photos)), item];
    let kept: Kept = 'on-device';
    try {
      if (this.#device === null) throw new Error('no store');
      await this.#device.add(items);
      this.#trouble = null;
    } catch (error) {
      this.#trouble = error instanceof Error && error.name === 'QuotaExceededError' ? 'full' : 'forbidden';
      await this.#page.add(items);
      kept = 'in-page';
    }
    if (kept === 'on-device') this.parts.slip.drop(item.id);
    await Promise.all(photos.map((id) => this.parts.photos.drop(id).catch(() => undefined)));
    await this.#changed();
    // Only now: whatever is shown meanwhile must not be without it.
    this.#arriving = this.#arriving.filter((one) => one.id !== item.id);
    this.#bell.ring();
    return kept;
  }

  async #ahead({ maker, madeAt, on }: NewItem, photos: readonly string[]): Promise<NewItem[]> {
    const read = await Promise.all(
      photos.map(async (id) => ({ id, photo: await this.parts.photos.read(id).catch(() => null) })),
    );
    return read.flatMap(({ id, photo }) =>
      photo ? [{ maker, madeAt, on, ...photo, what: 'photo', id } as const] : [],
    );
  }

  /** Throws it away. Nobody may who did not make it. */
  async discard(id: string): Promise<void> {
    const item = this.#find(id);
    if (!item || !this.#person || !belongsTo(item, this.#person)) return;
    this.parts.slip.drop(id);
    await this.#storeOf(item).remove([item.place]);
    await this.#changed();
  }

  /** What was refused is tried once more. */
  retry(id: string): Promise<void> {
    return this.#change(id, belongsTo, { state: 'waiting', problem: null, settledAt: null });
  }

  /** A lead sends on what another made; both names are kept. */
  sendOn(id: string): Promise<void> {
    return this.#change(
      id,
      (item, person) => person.role === 'lead' && (item.maker?.id ?? null) !== null,
      (person) => ({ sender: { id: person.id, name: person.name } }),
    );
  }

  /** Made before names were kept: this person says that it is theirs. */
  claim(id: string): Promise<void> {
    return this.#change(
      id,
      (item) => item.maker === null,
      (person) => ({ maker: { id: person.id, name: person.name } }),
    );
  }

  async #change(
    id: string,
    may: (item: Item, person: Person) => boolean,
    change: ItemChange | ((person: Person) => ItemChange),
  ): Promise<void> {
    const item = this.#find(id);
    const person = this.#person;
    if (!item || !person || !may(item, person)) return;
    await this.#storeOf(item).change(item.place, typeof change === 'function' ? change(person) : change);
    await this.#changed();
    this.#bell.ring();
  }

  #find(id: string): Item | undefined {
    return this.#shown.items.find((item) => item.id === id);
  }

  /** The item once the server took or refused it, or once it is plain that nobody answers; undefined when it is gone. */
  settled(id: string, withinMs: number): Promise<Item | undefined> {
    return new Promise((resolve) => {
      const done = () => {
        clearTimeout(timer);
        stopListening();
        resolve(this.#find(id));
      };
      const look = () => {
        if (this.#left.has(id) || this.#find(id)?.state !== 'waiting') done();
      };
      const timer = setTimeout(done, withinMs);
      const stopListening = this.subscribe(look);
      look();
    });
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  /** Told when the server took or refused something, here or in another page: what was read before is old. */
  readonly whenSettled = (listener: () => void): (() => void) => {
    this.#settledListeners.add(listener);
    return () => this.#settledListeners.delete(listener);
  };

  readonly shown = (): Waiting => this.#shown;

  /** Ready to be asked. */
  opened(): Promise<void> {
    return this.#opened;
  }

  /** Sends no more, and lets go of everything. */
  async stop(): Promise<void> {
    this.#stop.abort();
    await this.#opened;
    await this.#ended;
    this.#tabs?.close();
  }
}
