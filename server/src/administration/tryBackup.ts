import pg from 'pg';
import { restore } from '../backups/backup';
import { databaseOn, openPool } from '../database/open';
import { checkAll } from './check';

/** Restores a backup into a database that is thrown away, compares, brings it up to date and runs every rule. Out: of when it is, and how much is wrong. */
export async function tryBackup(
  spareUrl: string,
  file: string,
  print: (line: string) => void,
): Promise<{ readonly at: string; readonly wrong: number }> {
  const name = `verify_${Date.now()}_${process.pid}`;
  const server = new pg.Client({ connectionString: spareUrl });
  await server.connect();
  await server.query(`create database ${name}`);
  const copy = new URL(spareUrl);
  copy.pathname = `/${name}`;
  try {
    const { at } = await restore(copy.href, file);
    const pool = openPool(copy.href, 3);
    try {
      return { at, wrong: await checkAll(databaseOn(pool), print) };
    } finally {
      await pool.end();
    }
  } finally {
    await server.query(`drop database ${name} with (force)`);
    await server.end();
  }
}
