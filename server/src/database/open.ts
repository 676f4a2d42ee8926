import { promises as fs } from 'node:fs';
import path from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { Kysely, Migrator, PostgresDialect, type Migration, type MigrationProvider } from 'kysely';
import pg from 'pg';
import type { Db, Tables } from './tables';

// Counts and ids stay well under 2^53, and hours have one decimal: numbers, not text.
pg.types.setTypeParser(pg.types.builtins.INT8, Number);
pg.types.setTypeParser(pg.types.builtins.NUMERIC, Number);

export function openDatabase(url: string, connections = 10): Db {
  const pool = new pg.Pool({ connectionString: url, max: connections, connectionTimeoutMillis: 5000 });
  // A connection that breaks while idle is replaced at the next query; without a listener it would end the process.
  pool.on('error', () => undefined);
  return new Kysely<Tables>({ dialect: new PostgresDialect({ pool }) });
}

class NumberedFiles implements MigrationProvider {
  async getMigrations(): Promise<Record<string, Migration>> {
    const folder = path.join(path.dirname(fileURLToPath(import.meta.url)), 'migrations');
    const files = (await fs.readdir(folder)).filter((file) => /^\d{4}_.*\.ts$/.test(file)).sort();
    const entries = await Promise.all(
      files.map(
        async (file) =>
          [
            file.replace(/\.ts$/, ''),
            (await import(pathToFileURL(path.join(folder, file)).href)) as Migration,
          ] as const,
      ),
    );
    return Object.fromEntries(entries);
  }
}

/** Brings the database to the newest migration. Out: the names of those that ran. */
export async function migrate(db: Db): Promise<string[]> {
  const { error, results } = await new Migrator({ db, provider: new NumberedFiles() }).migrateToLatest();
  if (error) throw error;
  return (results ?? []).map((result) => result.migrationName);
}
