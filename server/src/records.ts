import type pg from 'pg';
import type { Logger } from 'pino';
import { listenForChanges } from './background/changes';
import { prepareBackground } from './background/runner';
import { copyStateOf, type CopyState } from './database/copyState';
import { databaseOn, openPool } from './database/open';
import { lineageIn } from './database/lineage';
import { always, followPrimary, onServerOf, type Refused } from './database/primary';
import { oneDatabase, readsFromCopy } from './database/reads';
import { grantRights } from './database/rights';
import type { Load } from './workersOf';
import { bringUpToDate } from './fleet/bringUpToDate';

/** Nobody waits for an answer longer than this. */
const SLOWEST_STATEMENT_MS = 60_000;

interface Where {
  /** The database, as the server at its work. */
  readonly url: string;
  /** The same, as its owner. */
  readonly ownerUrl: string;
  /** A hot standby of it, which answers what only reads, and is written to once it is promoted; null: none. */
  readonly readUrl: string | null;
  /** The backup that was written before this start, if it upgrades; null: none. */
  readonly backupBefore?: string | null;
  /** Where it is kept which records were written to last; null: nowhere. */
  readonly lineageFile?: string | null;
}

/** The records: brought to their newest shape, guarded, and open for reading, writing, and hearing what changed. */
export async function openRecords(
  { url, ownerUrl, readUrl, backupBefore = null, lineageFile = null }: Where,
  log: Logger,
) {
  const broken = (error: Error): void => log.warn({ err: error }, 'a connection to the records broke');
  const moved = (to: string): void =>
    log.warn({ to: new URL(to).host }, 'the records are written on another server now');
  const refused = (one: Refused): void =>
    log.error({ of: new URL(one.url).host, ...seenOf(one) }, 'records that were left behind are not written to');
  const lineage = lineageIn(lineageFile);
  const primary = readUrl === null ? always(url) : await followPrimary([url, readUrl], { moved, refused }, lineage);
  const pool = openPool(primary, 10, broken, SLOWEST_STATEMENT_MS);
  const workerPool = openPool(primary, 6, broken);
  const db = databaseOn(pool);
  const ownersUrl = (): string => (readUrl === null ? ownerUrl : onServerOf(ownerUrl, primary.url()));
  // The shape of the records is its owner's to change; the server at its work may less.
  const ownersPool = openPool(ownersUrl(), 3, broken);
  const changing = databaseOn(ownersPool);
  await bringUpToDate(changing, undefined, backupBefore);
  await prepareBackground(ownersPool, log);
  await grantRights(changing);
  await changing.destroy();
  const copy = readUrl === null ? null : databaseOn(openPool(readUrl, 10, broken, SLOWEST_STATEMENT_MS));
  const reads = copy === null ? oneDatabase(db) : readsFromCopy(db, copy, () => primary.url() !== readUrl);
  const events = listenForChanges(primary, log, reads.written);
  return {
    ...{ db, reads, events, workerPool, ownersUrl },
    /** How the connections are loaded: those of requests, those of the background. */
    loads: { requests: () => loadOf(pool), background: () => loadOf(workerPool) },
    /** How the copy stands; null: there is none. */
    copy: copy === null ? null : (): Promise<CopyState> => copyStateOf(db, copy),
    stop: async () => {
      primary.stop();
      await events.stop();
      await Promise.allSettled([db.destroy(), copy?.destroy(), workerPool.end()]);
    },
  };
}

const loadOf = ({ totalCount, waitingCount }: pg.Pool): Load => ({ total: totalCount, waiting: waitingCount });

const seenOf = ({ system, timeline, newest }: Refused) => ({ system, timeline, newest });
