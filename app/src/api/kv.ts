import AsyncStorage from '@react-native-async-storage/async-storage';
import type { Bytes } from './bytes';

/** Keeps text, and bytes with their type, on the device. */
export const kv = {
  getItem: (key: string): Promise<string | null> => AsyncStorage.getItem(key),
  setItem: (key: string, value: string): Promise<void> => AsyncStorage.setItem(key, value),
  removeItem: (key: string): Promise<void> => AsyncStorage.removeItem(key),
  keys: async (): Promise<string[]> => [...(await AsyncStorage.getAllKeys())],
  getBytes: async (key: string): Promise<Bytes | null> => {
    const text = await AsyncStorage.getItem(key);
    if (text === null) return null;
    const { type, codes }: { type: string; codes: number[] } = JSON.parse(text);
    return { type, bytes: new Uint8Array(codes).buffer };
  },
  setBytes: (key: string, { type, bytes }: Bytes): Promise<void> =>
    AsyncStorage.setItem(key, JSON.stringify({ type, codes: [...new Uint8Array(bytes)] })),
};
