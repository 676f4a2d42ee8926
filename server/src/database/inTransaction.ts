import type { Db, Trx } from './tables';

const isTrx = (db: Db): db is Trx => db.isTransaction;

/** In the transaction that is under way already, or in one of its own. */
export const inTransaction = <T>(db: Db, change: (trx: Trx) => Promise<T>): Promise<T> =>
  isTrx(db) ? change(db) : db.transaction().execute(change);
