import { del, get, set } from 'idb-keyval';

/** Keeps text on the device: IndexedDB, which survives reload and closed tabs. */
export const kv = {
  getItem: async (key: string): Promise<string | null> => (await get<string>(key)) ?? null,
  setItem: (key: string, value: string): Promise<void> => set(key, value),
  removeItem: (key: string): Promise<void> => del(key),
};
