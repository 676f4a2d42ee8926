import type { Bytes } from '@/api/bytes';
import { kv } from '@/api/kv';

/** Photos of what is not finished yet: kept on the device until it goes on its way. */
const keyOf = (id: string): string => `hudrik-photo-${id}`;

export const keepDraftPhoto = async (id: string, photo: Blob): Promise<void> =>
  kv.setBytes(keyOf(id), { type: photo.type, bytes: await photo.arrayBuffer() });

export const readDraftPhoto = (id: string): Promise<Bytes | null> => kv.getBytes(keyOf(id));

export const dropDraftPhoto = (id: string): Promise<void> => kv.removeItem(keyOf(id));
