import { randomUUID } from 'node:crypto';
import type { SearchReply } from '@hudrik/core/contracts';
import { sql } from 'kysely';
import type { Db } from '../database/tables';
import type { Watch } from '../sums/Watch';

const LOOK_MS = 400;
/** A search whose process did not say for so long that it goes on has died with it. */
const DEAD_AFTER = sql<Date>`now() - interval '10 seconds'`;

/** Searches for a better plan, in whichever process each goes on: seen and stopped from all of them. */
export interface Searches {
  /** A search begins. Out: what ends it. */
  readonly begin: (watch: Watch) => Promise<() => Promise<void>>;
  readonly read: () => Promise<SearchReply>;
  /** Whoever searches is told that it is enough. */
  readonly stop: () => Promise<SearchReply>;
}

/** Kept in the records, past the transaction of the request that searches: nobody would see it before its end. */
export function searchesIn(db: Db): Searches {
  const read = async (): Promise<SearchReply> => {
    const row = await db
      .selectFrom('bench_search')
      .select(['share', 'saved_cents'])
      .where('seen_at', '>', DEAD_AFTER)
      .orderBy('seen_at', 'desc')
      .executeTakeFirst();
    return { search: row ? { share: row.share, savedCents: row.saved_cents } : null };
  };
  return {
    read,
    stop: async () => {
      await db.updateTable('bench_search').set({ is_stopped: true }).execute();
      return read();
    },
    begin: async (watch) => {
      const id = randomUUID();
      await db.deleteFrom('bench_search').where('seen_at', '<', DEAD_AFTER).execute();
      await db.insertInto('bench_search').values({ id }).execute();
      const look = async (): Promise<void> => {
        const { share, savedCents } = watch.read();
        const row = await db
          .updateTable('bench_search')
          .set({ share, saved_cents: savedCents, seen_at: sql`now()` })
          .where('id', '=', id)
          .returning('is_stopped')
          .executeTakeFirst();
        if (row?.is_stopped) watch.stop();
      };
      // Records that are away for a moment end no search: it is looked again.
      const looking = setInterval(() => void look().catch(() => undefined), LOOK_MS);
      return async () => {
        clearInterval(looking);
        await db.deleteFrom('bench_search').where('id', '=', id).execute();
      };
    },
  };
}
