import pg from 'pg';

/** Which of several servers takes what is written. */
export interface Primary {
  readonly url: () => string;
  /** Something failed as it does when the primary is gone: it is looked for anew. */
  readonly look: () => void;
  readonly stop: () => void;
}

/** One server, as it is said. */
export const always = (url: string): Primary => ({ url: () => url, look: () => undefined, stop: () => undefined });

const ANSWER_MS = 2000;
const AGAIN_MS = 500;

/**
 * Follows the primary among servers that copy one another. It is the one that takes writes; of two, the one of the higher timeline, which is
 * the one that was promoted last: an old primary that comes back is not written to. Looked for when something fails, and again until one is found.
 */
export async function followPrimary(
  urls: readonly [string, ...string[]],
  moved: (url: string) => void,
): Promise<Primary> {
  let current = urls[0];
  let looking: Promise<void> | null = null;
  let timer: NodeJS.Timeout | undefined;
  let isStopped = false;
  const look = async (): Promise<void> => {
    const found = await findPrimary(urls);
    looking = null;
    if (found === null) later();
    else if (found !== current) {
      current = found;
      moved(found);
    }
  };
  const begin = (): Promise<void> => (looking ??= look());
  const later = (): void => {
    clearTimeout(timer);
    if (!isStopped) timer = setTimeout(() => void begin(), AGAIN_MS).unref();
  };
  await begin();
  return {
    url: () => current,
    look: () => void begin(),
    stop: () => {
      isStopped = true;
      clearTimeout(timer);
    },
  };
}

/** The server among these that takes writes; null: none does just now. */
export async function findPrimary(urls: readonly string[]): Promise<string | null> {
  const asked = await Promise.all(urls.map(async (url) => ({ url, timeline: await timelineOf(url) })));
  const primaries = asked.flatMap(({ url, timeline }) => (timeline === null ? [] : [{ url, timeline }]));
  return primaries.sort((a, b) => b.timeline - a.timeline)[0]?.url ?? null;
}

/** Null: it does not answer, or it only copies. */
async function timelineOf(url: string): Promise<number | null> {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: ANSWER_MS, query_timeout: ANSWER_MS });
  client.on('error', () => undefined);
  try {
    await client.connect();
    const { rows } = await client.query<{ file: string | null }>(
      'select case when not pg_is_in_recovery() then pg_walfile_name(pg_current_wal_lsn()) end as file',
    );
    // The first eight figures of a log file's name are its timeline.
    return rows[0]?.file ? parseInt(rows[0].file.slice(0, 8), 16) : null;
  } catch {
    return null;
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** The same role and database on the server of another address. */
export function onServerOf(url: string, server: string): string {
  const there = new URL(url);
  const { hostname, port } = new URL(server);
  there.hostname = hostname;
  there.port = port;
  return there.href;
}

type Told = ((error: Error) => void) | ((error: null, client: pg.Client) => void);

/** Connections that go to the primary, wherever it is when each is opened. */
export const clientOf = (primary: Primary): typeof pg.Client =>
  class extends pg.Client {
    constructor(config?: string | pg.ClientConfig) {
      super({ ...(typeof config === 'object' ? config : {}), connectionString: primary.url() });
      // One that ends without being asked to may have lost its server.
      this.on('error', () => primary.look());
    }

    override connect(): Promise<pg.Client>;
    override connect(told: Told): void;
    override connect(told?: Told): Promise<pg.Client> | void {
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
