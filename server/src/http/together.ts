/**
 * Reads that are asked for by several at once are done once for all of them. Whoever asks while one is under way waits for the next, which begins
 * after that: nobody is answered by what was read before they asked.
 */
export function together<T>(): (key: string, read: () => Promise<T>) => Promise<T> {
  const underWay = new Map<string, Promise<unknown>>();
  const next = new Map<string, Promise<T>>();
  const begin = (key: string, read: () => Promise<T>): Promise<T> => {
    const reading = read();
    const settled = reading.then(
      () => undefined,
      () => undefined,
    );
    underWay.set(key, settled);
    void settled.then(() => {
      if (underWay.get(key) === settled) underWay.delete(key);
    });
    return reading;
  };
  return (key, read) => {
    const before = underWay.get(key);
    if (before === undefined) return begin(key, read);
    const waiting = next.get(key);
    if (waiting !== undefined) return waiting;
    const later = before.then(() => {
      next.delete(key);
      return begin(key, read);
    });
    next.set(key, later);
    return later;
  };
}
