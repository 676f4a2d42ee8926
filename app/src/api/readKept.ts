import type { AnyObjectSchema, InferType } from 'yup';
import { kv } from './kv';

/** What a screen has kept on the device. Out: null where there is nothing, or nothing that the schema knows (kept by another version). */
export async function readKept<S extends AnyObjectSchema>(key: string, schema: S): Promise<InferType<S> | null> {
  const text = await kv.getItem(key);
  try {
    return text === null ? null : schema.validateSync(JSON.parse(text));
  } catch {
    return null;
  }
}
