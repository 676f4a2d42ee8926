import path from 'node:path';
import pg from 'pg';
import { RecordsAreNewer } from '../database/newer';
import { Refusal, refuse } from '../refusal';

/** That there is no such file, or that the database is away, says nothing of the file. */
const isElsewhere = (error: unknown): boolean => {
  const code: unknown = typeof error === 'object' && error !== null ? Reflect.get(error, 'code') : undefined;
  return (
    error instanceof Refusal ||
    error instanceof RecordsAreNewer ||
    code === 'ENOENT' ||
    code === 'ECONNREFUSED' ||
    // The database can not take what stands there: what is no value of its type (22), what breaks a rule (23).
    (error instanceof pg.DatabaseError && !/^2[23]/.test(error.code ?? ''))
  );
};

/** What goes wrong while a file is read as a backup is said of the file: it is none, or it is damaged. */
export async function asBackup<T>(file: string, read: () => Promise<T>): Promise<T> {
  try {
    return await read();
  } catch (error) {
    if (isElsewhere(error)) throw error;
    return refuse('backup-damaged', {
      file: path.basename(file),
      why: error instanceof Error ? error.message : String(error),
    });
  }
}
