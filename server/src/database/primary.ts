import { Socket } from 'node:net';
import pg from 'pg';
import { follows, lineageIn, type Line, type Lineage } from './lineage';

/** Which of several servers takes what is written. */
export interface Primary {
  readonly url: () => string;
  /** Something failed as it does when the primary is gone: it is looked for anew. */
  readonly look: () => void;
  /** Told when another one is written to from now on. Out: how to be told no more. */
  readonly onMoved: (told: () => void) => () => void;
  readonly stop: () => void;
}

/** One server, as it is said. */
export const always = (url: string): Primary => ({
  url: () => url,
  look: () => undefined,
  onMoved: () => () => undefined,
  stop: () => undefined,
});

const ANSWER_MS = 2000;
const AGAIN_MS = 500;
/** Nothing need fail for a copy to be made the one that is written to. */
const WATCH_MS = 5000;

/** One that takes what is written and must not: it was left behind by one that took over, or is of other records. */
export interface Refused extends Line {
  readonly url: string;
  readonly newest: Line;
}

interface Told {
  readonly moved: (url: string) => void;
  readonly refused?: (one: Refused) => void;
}

/**
 * Follows the primary among servers that copy one another. It is the one that takes writes; of two, the one of the higher timeline, which is
 * the one that was promoted last. One whose timeline is lower than the highest that was ever written to is never written to, nor one of other
 * records. Looked for when something fails, each few seconds, and again until one is found.
 */
export async function followPrimary(
  urls: readonly [string, ...string[]],
  { moved, refused }: Told,
  lineage: Lineage = lineageIn(null),
): Promise<Primary> {
  let current = urls[0];
  let looking: Promise<void> | null = null;
  let timer: NodeJS.Timeout | undefined;
  let isStopped = false;
  const listeners = new Set<() => void>();
  const said = new Set<string>();
  const look = async (): Promise<void> => {
    const found = await findPrimary(urls, lineage);
    looking = null;
    for (const one of found.refused) {
      const name = `${one.url} ${one.system} ${one.timeline}`;
      if (!said.has(name)) refused?.(one);
      said.add(name);
    }
    if (found.url !== null && found.url !== current) {
      current = found.url;
      moved(found.url);
      for (const told of listeners) told();
    }
    again(found.url === null ? AGAIN_MS : WATCH_MS);
  };
  const begin = (): Promise<void> => (looking ??= look());
  const again = (ms: number): void => {
    clearTimeout(timer);
    if (!isStopped) timer = setTimeout(() => void begin(), ms).unref();
  };
  await begin();
  return {
    url: () => current,
    look: () => void begin(),
    onMoved: (told) => {
      listeners.add(told);
      return () => listeners.delete(told);
    },
    stop: () => {
      isStopped = true;
      clearTimeout(timer);
    },
  };
}

/** The server among these that takes writes and may; null: none does just now. With those that take writes and must not. */
export async function findPrimary(
  urls: readonly string[],
  lineage: Lineage = lineageIn(null),
): Promise<{ readonly url: string | null; readonly refused: readonly Refused[] }> {
  const lines = await Promise.all(urls.map(lineOf));
  const newest = lineage.newest();
  const taking = lines.flatMap((line, nth) => (line === null ? [] : [{ ...line, url: urls[nth] ?? '' }]));
  const [first] = taking;
  // Where nothing was written to yet, those of the first one's records.
  const may = taking.filter((one) => (newest === null ? one.system === first?.system : follows(one, newest)));
  const [best] = may.sort((a, b) => b.timeline - a.timeline);
  if (best !== undefined) lineage.follow({ system: best.system, timeline: best.timeline });
  const against = lineage.newest();
  const refused = taking.filter((one) => one !== best && against !== null && !follows(one, against));
  return { url: best?.url ?? null, refused: refused.flatMap((one) => (against ? [{ ...one, newest: against }] : [])) };
}

/** Null: it does not answer, or it only copies. */
export async function lineOf(url: string): Promise<Line | null> {
  const client = new pg.Client({
    ...{ connectionString: forNode(url), connectionTimeoutMillis: ANSWER_MS, query_timeout: ANSWER_MS },
  });
  client.on('error', () => undefined);
  try {
    await client.connect();
    const { rows } = await client.query<{ file: string | null; system: string }>(
      `select case when not pg_is_in_recovery() then pg_walfile_name(pg_current_wal_lsn()) end as file,
        (select system_identifier::text from pg_control_system()) as system`,
    );
    const [row] = rows;
    // The first eight figures of a log file's name are its timeline.
    return row?.file ? { system: row.system, timeline: parseInt(row.file.slice(0, 8), 16) } : null;
  } catch {
    return null;
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** The same role and database on the server of another address, reached as that one is. */
export function onServerOf(url: string, server: string): string {
  const [there, { hostname, port, search }] = [new URL(url), new URL(server)];
  there.hostname = hostname;
  there.port = port;
  there.search = search;
  return there.href;
}

/** An address as PostgreSQL's own programs read it, for the package: which certificate is known then means the same to both. */
function forNode(url: string): string {
  const read = new URL(url);
  if (read.searchParams.has('sslmode')) read.searchParams.set('uselibpqcompat', 'true');
  return read.href;
}

type Connected = ((error: Error) => void) | ((error: null, client: pg.Client) => void);

/** Connections that go to the primary, wherever it is when each is opened; those to one that is it no longer are cut. */
export const clientOf = (primary: Primary): typeof pg.Client =>
  class extends pg.Client {
    constructor(config?: string | pg.ClientConfig) {
      const [url, socket] = [primary.url(), new Socket()];
      super({
        ...(typeof config === 'object' ? config : {}),
        ...{ connectionString: forNode(url), stream: () => socket },
      });
      // One that ends without being asked to may have lost its server.
      this.on('error', () => primary.look());
      const forget = primary.onMoved(() => {
        // As if its server had ended it: whoever asks by it is told, and the pool replaces it.
        if (primary.url() !== url) socket.destroy();
      });
      this.once('end', forget);
    }

    override connect(): Promise<pg.Client>;
    override connect(told: Connected): void;
    override connect(told?: Connected): Promise<pg.Client> | void {
      const connecting = super.connect().catch((error: unknown) => {
        primary.look();
        throw error;
      });
      if (told === undefined) return connecting;
      const tell = told as (error: Error | null, client?: pg.Client) => void;
      connecting.then(
        (client) => tell(null, client),
        (error: unknown) => tell(error instanceof Error ? error : new Error(String(error))),
      );
    }
  };
