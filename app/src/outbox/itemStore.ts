import type { Device } from './device';
import { fresh, type Item, type ItemChange, type NewItem } from './item';

/** Where items wait. Whatever is promised is true when its promise is kept. */
export interface ItemStore {
  readonly all: () => Promise<Item[]>;
  /** All of them, or none. One whose id is there already takes its place anew. */
  readonly add: (items: readonly NewItem[]) => Promise<void>;
  /** One that was thrown away meanwhile stays away. */
  readonly change: (place: number, change: ItemChange) => Promise<void>;
  readonly remove: (places: readonly number[]) => Promise<void>;
}

/** Rows on the device. A write is promised once it is on the disk. */
export const storeOn = (device: Device): ItemStore => ({
  all: () => device.getAll('items'),
  add: async (items) => {
    const write = device.transaction('items', 'readwrite', { durability: 'strict' });
    const puts = items.map(async (item) => {
      const before = await write.store.index('id').getKey(item.id);
      const row = fresh(item, true);
      // The place is the store's to give.
      await write.store.put((before === undefined ? row : { ...row, place: before }) as Item);
    });
    await Promise.all([...puts, write.done]);
  },
  change: async (place, change) => {
    const write = device.transaction('items', 'readwrite', { durability: 'strict' });
    const before = await write.store.get(place);
    if (before) await write.store.put({ ...before, ...change });
    await write.done;
  },
  remove: async (places) => {
    const write = device.transaction('items', 'readwrite', { durability: 'strict' });
    await Promise.all([...places.map((place) => write.store.delete(place)), write.done]);
  },
});

/** Only in this page: for what the device would not keep. Places come after all that is on the device. */
export function storeInPage(): ItemStore {
  let items: readonly Item[] = [];
  let last = Number.MAX_SAFE_INTEGER / 2;
  const without = (ids: readonly string[]) => items.filter((item) => !ids.includes(item.id));
  return {
    all: async () => [...items],
    add: async (added) => {
      items = [
        ...without(added.map((item) => item.id)),
        ...added.map((item): Item => ({ ...fresh(item, false), place: ++last })),
      ];
    },
    change: async (place, change) => {
      items = items.map((item) => (item.place === place ? { ...item, ...change } : item));
    },
    remove: async (places) => {
      items = items.filter((item) => !places.includes(item.place));
    },
  };
}
