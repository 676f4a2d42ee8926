import { sql } from 'kysely';
import type { Db } from './tables';

/** Where to read. */
export interface Reads {
  /** Who to ask in turn for all that was written up to this place, and all that this process knows of: the next where one is away. */
  readonly inTurn: (written: string | null) => Promise<readonly [Db, ...Db[]]>;
  /** Something was committed. Out: its place, for who wrote it to read behind; null: there is but one place to read. */
  readonly written: () => Promise<string | null>;
  /** What copies the records failed, or was found wanting: it is left alone for a moment. */
  readonly failed: (db: Db) => void;
}

/** One database: what was written is there. */
export const oneDatabase = (db: Db): Reads => ({
  inTurn: async () => [db],
  written: async () => null,
  failed: () => undefined,
});

const REST_MS = 1000;
const PLACE = /^[0-9A-F]{1,8}\/[0-9A-F]{1,8}$/;

/** A place in the database's log of changes, as a number that grows. Null: it is none. */
export function placeOf(text: string | null): bigint | null {
  if (text === null || !PLACE.test(text)) return null;
  const [high = '0', low = '0'] = text.split('/');
  return (BigInt(`0x${high}`) << 32n) + BigInt(`0x${low}`);
}

/**
 * Reads from a copy, and from the primary where the copy is behind what whoever asks has seen or written. Nobody misses what they just wrote, and a
 * screen that was told of a change finds it. While the primary is away, what the copy has is better than nothing.
 */
export function readsFromCopy(
  primary: Db,
  copy: Db,
  isCopy: () => boolean,
  now: () => number = Date.now,
  reachedBy: (copy: Db) => Promise<bigint> = replayed,
): Reads {
  let wanted = 0n;
  let reached = 0n;
  let restsUntil = 0;
  const failed = (db: Db): void => {
    if (db === copy) restsUntil = now() + REST_MS;
  };
  const hasReached = async (place: bigint): Promise<boolean> => {
    if (reached >= place) return true;
    reached = await reachedBy(copy);
    return reached >= place;
  };
  return {
    failed,
    inTurn: async (written) => {
      if (!isCopy() || now() < restsUntil) return [primary];
      const own = placeOf(written) ?? 0n;
      try {
        return (await hasReached(own > wanted ? own : wanted)) ? [copy, primary] : [primary, copy];
      } catch {
        failed(copy);
        return [primary];
      }
    },
    written: async () => {
      const { rows } = await sql<{ place: string }>`select pg_current_wal_insert_lsn()::text as place`.execute(primary);
      const place = rows[0]?.place ?? null;
      const at = placeOf(place) ?? 0n;
      if (at > wanted) wanted = at;
      return place;
    },
  };
}

/** How far a copy is; one that was promoted is where it writes. */
async function replayed(copy: Db): Promise<bigint> {
  const { rows } = await sql<{ place: string | null }>`
    select (case when pg_is_in_recovery() then pg_last_wal_replay_lsn() else pg_current_wal_insert_lsn() end)::text as place`.execute(
    copy,
  );
  return placeOf(rows[0]?.place ?? null) ?? 0n;
}
