/** What the standard library tells less of than we know: keys and entries of a record that has no others. */
export const keysOf = <K extends string>(record: Readonly<Partial<Record<K, unknown>>>): K[] =>
  Object.keys(record) as K[];

export const entriesOf = <K extends string, V>(record: Readonly<Record<K, V>>): [K, V][] =>
  Object.entries(record) as [K, V][];

/** A record with the same keys. */
export const mapValues = <K extends string, V, W>(
  record: Readonly<Record<K, V>>,
  map: (value: V, key: K) => W,
): Record<K, W> => Object.fromEntries(entriesOf(record).map(([key, value]) => [key, map(value, key)])) as Record<K, W>;

/** The entry at a place that is known to be there. Throws where it is not. */
export function nth<T>(list: ArrayLike<T> | undefined, place: number): T {
  const entry = list?.[place];
  if (entry === undefined) throw new RangeError(`nothing at ${place} of ${list?.length ?? 0}`);
  return entry;
}
