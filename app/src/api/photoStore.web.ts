import { del, get, set } from 'idb-keyval';

const key = (id: string): string => `hudrik-photo-${id}`;

export const keepPhoto = (id: string, photo: Blob): Promise<void> => set(key(id), photo);
export const readPhoto = async (id: string): Promise<Blob | null> => (await get<Blob>(key(id))) ?? null;
export const dropPhoto = (id: string): Promise<void> => del(key(id));
