import { del, get, keys, set } from 'idb-keyval';
import type { Bytes } from './bytes';

/** Keeps text, and bytes with their type, on the device: IndexedDB, which survives reload and closed tabs. */
export const kv = {
  getItem: async (key: string): Promise<string | null> => (await get<string>(key)) ?? null,
  setItem: (key: string, value: string): Promise<void> => set(key, value),
  removeItem: (key: string): Promise<void> => del(key),
  keys: async (): Promise<string[]> => (await keys()).map(String),
  getBytes: async (key: string): Promise<Bytes | null> => {
    const kept = await get<Bytes | Blob>(key);
    // Photos taken with an earlier version are kept as they came from the camera.
    if (kept instanceof Blob) return { type: kept.type, bytes: await kept.arrayBuffer() };
    return kept ?? null;
  },
  setBytes: (key: string, kept: Bytes): Promise<void> => set(key, kept),
};
