import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Item } from './item';

interface Lease {
  readonly name: string;
  readonly holder: string;
  /** Milliseconds: after it, anybody may take it. */
  readonly until: number;
}

/** What the outbox keeps on the device: a row for each item, and who sends where a page may not use locks. */
export interface DeviceSchema extends DBSchema {
  items: { key: number; value: Item; indexes: { id: string } };
  leases: { key: string; value: Lease };
}
export type Device = IDBPDatabase<DeviceSchema>;

/** Opens the device's store. Throws where there is none, or where it is forbidden. */
export const openDevice = (name: string, onClosed: () => void): Promise<Device> =>
  openDB<DeviceSchema>(name, 1, {
    upgrade(db) {
      const items = db.createObjectStore('items', { keyPath: 'place', autoIncrement: true });
      items.createIndex('id', 'id', { unique: true });
      db.createObjectStore('leases', { keyPath: 'name' });
    },
    // Another page wants a newer one: it may have it.
    blocking: (_current, _wanted, event) => (event.target as Device | null)?.close(),
    terminated: onClosed,
  });
