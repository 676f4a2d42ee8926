import { mkdir, rename, statfs } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'kysely';
import type { Db } from '../database/tables';
import { backUp } from '../backups/backup';
import { tryBackup } from './tryBackup';

/** There is not the room for a backup, or for trying it. */
export class NoRoom extends Error {
  constructor(folder: string, wanted: number, free: number) {
    super(
      `The backup before the upgrade needs ${wanted} bytes in ${folder}, where ${free} are free. Nothing was changed.`,
    );
  }
}

/** A dump and the zip around it are never larger than the database; restored, it is as large again, with what is written meanwhile. */
const TIMES = { file: 1, spare: 1.5 } as const;

interface Where {
  /** The owner's address. */
  readonly url: string;
  readonly folder: string;
  /** A server to try it on. */
  readonly spareUrl: string;
  /** Bytes that are free in a folder. */
  readonly freeIn?: (folder: string) => Promise<number>;
}

/**
 * Writes a backup before the migrations that are to run, and tries it: restored, compared, migrated and checked on a spare server, so that what goes
 * wrong goes wrong there. The file has its name once all of that went well. Out: where it is, and what is wrong in the records, in lines. Throws
 * NoRoom.
 */
export async function backUpBefore(
  db: Db,
  migrations: readonly string[],
  { url, folder, spareUrl, freeIn = freeBytes }: Where,
): Promise<{
  readonly file: string;
  readonly bytes: number;
  readonly rows: number;
  readonly wrong: readonly string[];
}> {
  await mkdir(folder, { recursive: true });
  const bytes = await bytesOf(db);
  for (const [where, wanted] of [
    [folder, Math.ceil(bytes * TIMES.file)],
    [tmpdir(), Math.ceil(bytes * (TIMES.file + TIMES.spare))],
  ] as const) {
    const free = await freeIn(where);
    if (free < wanted) throw new NoRoom(where, wanted, free);
  }
  const file = path.join(folder, `before-${migrations[0] ?? ''}.hudrik`);
  const fresh = `${file}.untried`;
  const written = await backUp(url, fresh);
  const wrong: string[] = [];
  await tryBackup(spareUrl, fresh, (line) => void (line.startsWith('good') || wrong.push(line)));
  await rename(fresh, file);
  return { file, ...written, wrong };
}

async function bytesOf(db: Db): Promise<number> {
  const { rows } = await sql<{ bytes: string }>`select pg_database_size(current_database())::text as bytes`.execute(db);
  return Number(rows[0]?.bytes ?? 0);
}

async function freeBytes(folder: string): Promise<number> {
  const { bavail, bsize } = await statfs(folder);
  return bavail * bsize;
}
