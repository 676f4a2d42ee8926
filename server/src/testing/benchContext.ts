import { pino } from 'pino';
import { prepareBackground } from '../background/runner';
import { searchesIn } from '../bench/searches';
import type { Context } from '../context';
import { databaseOn, migrate, openPool } from '../database/open';
import type { Db } from '../database/tables';
import { NO_FEED } from '../outside/feed';
import { NO_READERS } from '../outside/readersPool';
import { NO_SUMS } from '../sums/noSums';

/** For what reads and writes the records and asks nothing outside. */
const benchContext = (db: Db): Context => ({
  db,
  now: () => new Date(),
  instruments: { open: async () => null },
  paper: { make: async () => Buffer.alloc(0) },
  sums: NO_SUMS,
  searches: searchesIn(db),
  desk: NO_FEED,
  equipment: NO_FEED,
  readers: NO_READERS,
});

/** The database that a bench is given, brought to its newest shape. */
export async function openBench(url = process.env.DATABASE_URL) {
  if (!url) throw new Error('DATABASE_URL is not set');
  const pool = openPool(url, 4);
  const db = databaseOn(pool);
  await migrate(db);
  await prepareBackground(pool, pino({ level: 'warn' }));
  return { pool, db, context: benchContext(db) };
}
