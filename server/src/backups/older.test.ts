import assert from 'node:assert/strict';
import { mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { after, before, describe, test } from 'node:test';
import { sql } from 'kysely';
import pg from 'pg';
import { backUpBefore, NoRoom } from '../administration/beforeUpgrade';
import { checkAll } from '../administration/check';
import { databaseOn, knownMigrations, openPool } from '../database/open';
import { RecordsAreNewer } from '../database/newer';
import type { Db } from '../database/tables';
import { bringUpToDate } from '../fleet/bringUpToDate';
import { emptyDatabase, makeDatabase } from '../testing/databases';
import { VERSION } from '../version';
import { backUp, restore } from './backup';

/** Written by the version of its name itself, of its demo's yard. */
const OLDEST_BACKUP = fileURLToPath(new URL('../../fixtures/0026_yard_in_order.hudrik', import.meta.url));

const on = async <T>(url: string, work: (db: Db) => Promise<T>): Promise<T> => {
  const pool = openPool(url, 3);
  try {
    return await work(databaseOn(pool));
  } finally {
    await pool.end();
  }
};
const rowsOf = (db: Db, table: string): Promise<number> =>
  sql<{ rows: number }>`select count(*)::int as rows from ${sql.table(table)}`
    .execute(db)
    .then(({ rows }) => rows[0]?.rows ?? -1);
const check = async (db: Db): Promise<string[]> => {
  const lines: string[] = [];
  await checkAll(db, (line) => lines.push(line));
  return lines.filter((line) => !line.startsWith('good'));
};

let folder: string;
before(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'hudrik-older-'));
});
after(() => rm(folder, { recursive: true, force: true }));

describe('a backup of an older version', () => {
  test('comes back, compared as it was, in the newest shape: no row is lost, every rule holds, and who may what is said', async () => {
    const empty = await emptyDatabase();
    const { contents, migrations } = await restore(empty.url, OLDEST_BACKUP);
    assert.equal(migrations.at(-1), '0026_yard_in_order');
    await on(empty.url, async (db) => {
      const there = await sql<{ name: string }>`select max(name) as name from kysely_migration`.execute(db);
      assert.equal(there.rows[0]?.name, (await knownMigrations()).at(-1));
      for (const table of [
        'unit',
        'hire',
        'log_entry',
        'meter_reading',
        'job',
        'visit',
        'photo',
        'defect',
        'person',
        'part_move',
      ])
        assert.equal(await rowsOf(db, table), contents[table]?.rows, table);
      assert.deepEqual(await check(db), []);
      const [reckoned] = await db.selectFrom('upgrade').selectAll().execute();
      assert.deepEqual([reckoned?.to_migration, reckoned?.version], [(await knownMigrations()).at(-1), VERSION]);
      const may = await sql<{
        may: boolean;
      }>`select has_table_privilege('hudrik_app', 'upgrade', 'insert') as may`.execute(db);
      assert.equal(may.rows[0]?.may, false);
    });
    await empty.drop();
  });
});

describe('records of a newer version', () => {
  const withFuture = async (url: string): Promise<void> =>
    on(url, async (db) => {
      await sql`insert into kysely_migration (name, timestamp) values ('9001_things_to_come', '2040')`.execute(db);
      await db
        .insertInto('upgrade')
        .values({
          to_migration: '9001_things_to_come',
          version: '7.8.9',
          backup: '/b/before-9001.hudrik',
          reckoned_at: new Date(),
        })
        .execute();
    });

  test('are left alone, and it is said by which version they were made and which backup is older', async () => {
    const made = await makeDatabase();
    await withFuture(made.url);
    await on(made.url, async (db) => {
      await assert.rejects(bringUpToDate(db), (error) => {
        assert.ok(error instanceof RecordsAreNewer);
        for (const part of [
          '9001_things_to_come',
          'version 7.8.9',
          `this is ${VERSION}`,
          '/b/before-9001.hudrik',
          'Nothing was changed',
        ])
          assert.ok(error.message.includes(part), `${part}: ${error.message}`);
        return true;
      });
    });
    await made.drop();
  });

  test('are not restored either, and the place stays empty', async () => {
    const made = await makeDatabase();
    await withFuture(made.url);
    const file = path.join(folder, 'newer.hudrik');
    await backUp(made.url, file);
    const empty = await emptyDatabase();
    await assert.rejects(restore(empty.url, file), RecordsAreNewer);
    const tables = await on(empty.url, (db) =>
      sql<{ rows: number }>`select count(*)::int as rows from pg_tables where schemaname = 'public'`.execute(db),
    );
    assert.equal(tables.rows[0]?.rows, 0);
    await Promise.all([made.drop(), empty.drop()]);
  });
});

describe('an upgrade that is stopped', () => {
  test('after the last migration is gone on with: readiness that was not reckoned by the new rules is', async () => {
    const empty = await emptyDatabase();
    await restore(empty.url, OLDEST_BACKUP);
    await on(empty.url, async (db) => {
      const held = await db.selectFrom('unit').select(['id', 'tag']).where('readiness', '=', 'held').execute();
      assert.ok(held.length > 0);
      // What an older rule said of them.
      await sql`update unit set readiness = 'fit', readiness_verdict = readiness_verdict || '{"readiness": "fit"}'
        where readiness = 'held'`.execute(db);
      assert.deepEqual(await bringUpToDate(db), []);
      assert.ok((await check(db)).length >= held.length, 'with the upgrade done nothing is reckoned again');
      await sql`delete from upgrade`.execute(db);
      assert.deepEqual(await bringUpToDate(db), []);
      assert.deepEqual(await check(db), []);
    });
    await empty.drop();
  });
});

describe('before an upgrade', () => {
  const spareUrl = process.env['TEST_DATABASE_URL'] ?? '';

  test('a backup is written, restored and upgraded on trial, and only then has its name', async () => {
    const made = await makeDatabase();
    const before = await on(made.url, (db) => backUpBefore(db, ['0099_next'], { url: made.url, folder, spareUrl }));
    assert.equal(before.file, path.join(folder, 'before-0099_next.hudrik'));
    assert.deepEqual(before.wrong, []);
    assert.ok((await readdir(folder)).every((name) => !name.endsWith('.untried')));
    const server = new pg.Client({ connectionString: spareUrl });
    await server.connect();
    const left = await server.query(`select datname from pg_database where datname like 'verify_%'`);
    await server.end();
    assert.deepEqual(left.rows, []);
    await made.drop();
  });

  test('where there is no room for it, it is said how many bytes it needs, and nothing is written', async () => {
    const made = await makeDatabase();
    await on(made.url, async (db) => {
      const size = await sql<{ bytes: number }>`select pg_database_size(current_database())::int as bytes`.execute(db);
      const wanted = size.rows[0]?.bytes ?? 0;
      const ask = (free: number) =>
        backUpBefore(db, ['0100_after'], { url: made.url, folder, spareUrl, freeIn: async () => free });
      await assert.rejects(ask(wanted - 1_000_000), (error) => {
        assert.ok(error instanceof NoRoom && /needs \d{7,} bytes in /.test(error.message), String(error));
        return true;
      });
      // There is room for the file, but not to try it beside.
      await assert.rejects(ask(wanted * 2), NoRoom);
    });
    assert.ok((await readdir(folder)).every((name) => !name.includes('0100_after')));
    await made.drop();
  });
});
