import pg from 'pg';

/** What PostgreSQL cannot hold, a NUL byte or a number that is too large, say: the sender's, and no failure of the store (class 22). */
export const isDataError = (error: unknown): boolean =>
  error instanceof pg.DatabaseError && error.code?.startsWith('22') === true;
