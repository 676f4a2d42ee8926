import AsyncStorage from '@react-native-async-storage/async-storage';

/** Photos wait on the device until their check-in is sent. Without a browser they are kept as data URLs. */
const key = (id: string): string => `hudrik-photo-${id}`;

export async function keepPhoto(id: string, photo: Blob): Promise<void> {
  await AsyncStorage.setItem(key(id), await photo.text());
}

export async function readPhoto(id: string): Promise<Blob | null> {
  const text = await AsyncStorage.getItem(key(id));
  return text === null ? null : new Blob([text]);
}

export const dropPhoto = (id: string): Promise<void> => AsyncStorage.removeItem(key(id));
