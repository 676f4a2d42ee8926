import { promises as fs } from 'node:fs';
import path from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { Kysely, Migrator, PostgresDialect, type Migration, type MigrationProvider } from 'kysely';
import pg from 'pg';
import { keepingPlans } from './planned';
import { always, clientOf, type Primary } from './primary';
import type { Db, Tables } from './tables';

// Counts and ids stay well under 2^53, and hours have one decimal: numbers, not text.
pg.types.setTypeParser(pg.types.builtins.INT8, Number);
pg.types.setTypeParser(pg.types.builtins.NUMERIC, Number);

/** Nobody waits for a lock longer than this: a request that would is told to come again. */
const LOCK_TIMEOUT_MS = 15_000;

/** A pool that outlives its database: a connection that breaks, idle or in use, ends no process and is replaced at the next query. */
export function openPool(
  at: string | Primary,
  connections: number,
  onBroken: (error: Error) => void = () => undefined,
  /** A statement that takes longer has gone wrong; 0: any may take as long as it does. */
  statementMs = 0,
  connectMs = 5000,
): pg.Pool {
  const primary = typeof at === 'string' ? always(at) : at;
  const pool = new pg.Pool({
    Client: clientOf(primary),
    max: connections,
    connectionTimeoutMillis: connectMs,
    options: `-c lock_timeout=${LOCK_TIMEOUT_MS} -c statement_timeout=${statementMs}`,
  });
  pool.on('error', onBroken);
  // One that is checked out tells its own error: without a listener it would end the process.
  pool.on('connect', (client) => client.on('error', onBroken));
  return pool;
}

export const databaseOn = (pool: pg.Pool): Db =>
  new Kysely<Tables>({ dialect: new PostgresDialect({ pool: keepingPlans(pool) }) });

export const openDatabase = (url: string, connections = 10): Db => databaseOn(openPool(url, connections));

class NumberedFiles implements MigrationProvider {
  async getMigrations(): Promise<Record<string, Migration>> {
    const folder = path.join(path.dirname(fileURLToPath(import.meta.url)), 'migrations');
    const files = (await fs.readdir(folder)).filter((file) => /^\d{4}_.*\.(ts|mjs)$/.test(file)).sort();
    const entries = await Promise.all(
      files.map(async (file): Promise<[string, Migration]> => {
        const module: Migration = await import(pathToFileURL(path.join(folder, file)).href);
        return [file.replace(/\.(ts|mjs)$/, ''), module];
      }),
    );
    return Object.fromEntries(entries);
  }
}

export const migratorFor = (db: Db): Migrator => new Migrator({ db, provider: new NumberedFiles() });

/** The names of all migrations of this version, the oldest first. */
export const knownMigrations = async (): Promise<string[]> => Object.keys(await new NumberedFiles().getMigrations());

/** Brings the database to the newest migration. Out: the names of those that ran. */
export async function migrate(db: Db): Promise<string[]> {
  const { error, results } = await migratorFor(db).migrateToLatest();
  if (error) throw error;
  return (results ?? []).map((result) => result.migrationName);
}
