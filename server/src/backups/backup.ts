import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { sql } from 'kysely';
import pino from 'pino';
import { prepareBackground } from '../background/runner';
import { migrationsRun, mustKnow } from '../database/newer';
import { databaseOn, openPool } from '../database/open';
import { grantRights } from '../database/rights';
import { bringUpToDate } from '../fleet/bringUpToDate';
import { refuse } from '../refusal';
import { contentsOf, differences, tablesOf, type Contents } from './contents';
import { asBackup } from './damaged';
import { runOn } from './programs';
import { openZip, writeZip } from './zip';

const FORMAT = 'hudrik-backup';
const FORMAT_VERSION = 1;
const [MANIFEST, DUMP] = ['manifest.json', 'yard.dump'];

interface Manifest {
  readonly format: string;
  readonly version: number;
  readonly at: string;
  readonly migrations: readonly string[];
  readonly contents: Contents;
}

const rowsIn = (contents: Contents): number => Object.values(contents).reduce((sum, { rows }) => sum + rows, 0);

/**
 * Writes all of the records into one file: a dump by PostgreSQL's own program, and what must be in it, both of one moment. The file has its
 * name once it is whole. In: the owner's address.
 */
export async function backUp(url: string, file: string): Promise<{ readonly bytes: number; readonly rows: number }> {
  const folder = await mkdtemp(path.join(tmpdir(), 'hudrik-backup-'));
  const dump = path.join(folder, DUMP);
  const db = databaseOn(openPool(url, 1));
  try {
    const manifest = await db
      .transaction()
      .setIsolationLevel('repeatable read')
      .execute(async (trx): Promise<Manifest> => {
        const { rows } = await sql<{ snapshot: string }>`select pg_export_snapshot() as snapshot`.execute(trx);
        const snapshot = rows[0]?.snapshot ?? '';
        await runOn(url, 'pg_dump', ['-Fc', '--no-owner', '--no-privileges', `--snapshot=${snapshot}`, '-f', dump]);
        const contents = await contentsOf(trx, await tablesOf(trx));
        const migrations = await migrationsRun(trx);
        return { format: FORMAT, version: FORMAT_VERSION, at: new Date().toISOString(), migrations, contents };
      });
    await writeZip(file, async (zip) => {
      zip.addBuffer(Buffer.from(JSON.stringify(manifest, null, 2)), MANIFEST);
      zip.addReadStream(createReadStream(dump), DUMP, { compress: false });
    });
    return { bytes: (await stat(file)).size, rows: rowsIn(manifest.contents) };
  } finally {
    await db.destroy();
    await rm(folder, { recursive: true, force: true });
  }
}

/**
 * Puts a backup of this or an older version into an empty database, refuses another, compares what is there then, and brings it up to date.
 * Out: what it held. Throws RecordsAreNewer.
 */
export async function restore(url: string, file: string): Promise<Manifest> {
  const pool = openPool(url, 3);
  const db = databaseOn(pool);
  const folder = await mkdtemp(path.join(tmpdir(), 'hudrik-restore-'));
  try {
    const there = await tablesOf(db);
    if (there.length > 0) refuse('already-there', { tables: there.length });
    const { manifest, dump } = await asBackup(file, () => unpack(file, folder));
    await mustKnow(manifest.migrations);
    const database = new URL(url).pathname.slice(1);
    const usual = ['--no-owner', '--no-privileges', '--exit-on-error', '--single-transaction'];
    await asBackup(file, async () => {
      await runOn(url, 'pg_restore', [...usual, '-d', database, dump]);
      const is = await db.transaction().execute(async (trx) => contentsOf(trx, await tablesOf(trx)));
      const wrong = differences(manifest.contents, is);
      if (wrong.length > 0) throw new Error(`What was restored is not what was written: ${wrong.join('; ')}`);
    });
    // The newest shape first, then who may what of it.
    await bringUpToDate(db);
    await prepareBackground(pool, pino({ level: 'warn' }));
    await grantRights(db);
    return manifest;
  } finally {
    await db.destroy();
    await rm(folder, { recursive: true, force: true });
  }
}

async function unpack(file: string, folder: string): Promise<{ readonly manifest: Manifest; readonly dump: string }> {
  const zip = await openZip(file);
  try {
    const manifest = JSON.parse((await zip.read(MANIFEST)).toString('utf8')) as Manifest;
    if (manifest.format !== FORMAT || manifest.version !== FORMAT_VERSION)
      return refuse('backup-of-another', { format: manifest.format, version: manifest.version });
    const dump = path.join(folder, DUMP);
    await pipeline(await zip.open(DUMP), createWriteStream(dump, { mode: 0o600 }));
    return { manifest, dump };
  } finally {
    zip.close();
  }
}
