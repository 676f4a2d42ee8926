import { searchesIn } from '../bench/searches';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { NO_FEED } from '../outside/feed';
import { NO_SUMS } from '../sums/noSums';

/** For what reads and writes the records and asks nothing outside. */
export const benchContext = (db: Db): Context => ({
  db,
  now: () => new Date(),
  instruments: { open: async () => null },
  paper: { make: async () => Buffer.alloc(0) },
  sums: NO_SUMS,
  searches: searchesIn(db),
  desk: NO_FEED,
  equipment: NO_FEED,
});
