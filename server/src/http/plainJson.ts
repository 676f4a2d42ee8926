import { Refusal } from '../refusal';

/** Nothing that is sent is deeper than this; no library that reads it need be. */
const DEEPEST = 24;
/** Names that every object has of its own: what is sent under them could pass for what it is not. */
const isReserved = (key: string): boolean => key in Object.prototype;

/** Refuses what fits no schema, but could upset whatever reads it: objects nested without end, and keys like `__proto__` or `toString`. */
export function mustBePlain(value: unknown, depth = 0, path = ''): void {
  if (typeof value !== 'object' || value === null) return;
  if (depth > DEEPEST)
    throw new Refusal('not-valid', {}, [{ path, message: `At most ${DEEPEST} things in each other.` }]);
  for (const [key, inner] of Object.entries(value)) {
    const at = path === '' ? key : `${path}.${key}`;
    if (isReserved(key)) throw new Refusal('not-valid', {}, [{ path: at, message: 'No field may be called so.' }]);
    mustBePlain(inner, depth + 1, at);
  }
}
