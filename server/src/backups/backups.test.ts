import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { mkdtemp, readdir, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { after, before, describe, test } from 'node:test';
import { sql } from 'kysely';
import sharp from 'sharp';
import { checkAll } from '../administration/check';
import { databaseOn, openPool } from '../database/open';
import { addWorkInHand } from '../demo/workInHand';
import { loadDemo } from '../demo/load';
import { emptyDatabase, makeDatabase, type MadeDatabase } from '../testing/databases';
import { backUp, restore } from './backup';
import { contentsOf, differences, tablesOf } from './contents';
import { exportYard, importYard } from './openForm';
import { openZip } from './zip';

describe('the records, written away', () => {
  let made: MadeDatabase;
  let folder: string;
  const file = (name: string) => path.join(folder, name);
  const on = async <T>(
    url: string,
    work: (db: ReturnType<typeof databaseOn>, pool: ReturnType<typeof openPool>) => Promise<T>,
  ): Promise<T> => {
    const pool = openPool(url, 4);
    try {
      return await work(databaseOn(pool), pool);
    } finally {
      await pool.end();
    }
  };
  const contents = (url: string) =>
    on(url, (db) => db.transaction().execute(async (trx) => contentsOf(trx, await tablesOf(trx))));
  before(async () => {
    folder = await mkdtemp(path.join(tmpdir(), 'hudrik-backups-'));
    made = await makeDatabase();
    await on(made.url, async (db) => {
      await loadDemo(db, new Date(), { days: 40 });
      await addWorkInHand(db, new Date());
    });
  });
  after(async () => {
    await made.drop();
    await rm(folder, { recursive: true, force: true });
  });

  test('and put back into an empty database: all of it, to the last byte of a photo; every rule holds there', async () => {
    const { rows, bytes } = await backUp(made.url, file('yard.hudrik'));
    assert.ok(rows > 500);
    const { mode, size } = await stat(file('yard.hudrik'));
    assert.deepEqual([mode & 0o777, size], [0o600, bytes]);
    const empty = await emptyDatabase();
    await restore(empty.url, file('yard.hudrik'));
    assert.deepEqual(differences(await contents(made.url), await contents(empty.url)), []);
    const lines: string[] = [];
    assert.equal(await on(empty.url, (db) => checkAll(db, (line) => lines.push(line))), 0, lines.join('\n'));
    // A database that holds anything is left as it is.
    await assert.rejects(restore(empty.url, file('yard.hudrik')), /already-there/);
    // And the server works on it.
    const { rows: granted } = await on(empty.url, (db) =>
      sql<{ may: boolean }>`select has_table_privilege('hudrik_app', 'log_entry', 'insert') as may`.execute(db),
    );
    assert.equal(granted[0]?.may, true);
    await empty.drop();
  });

  test('a file that is none, one that is cut short and one whose dump was changed are refused; nothing is half there', async () => {
    const whole = await readFile(file('yard.hudrik'));
    const changed = Buffer.from(whole);
    changed.writeUInt8(changed.readUInt8(Math.floor(whole.length / 2)) ^ 0xff, Math.floor(whole.length / 2));
    for (const [name, bytes] of [
      ['none', Buffer.from('no zip')],
      ['short', whole.subarray(0, whole.length - 1000)],
      ['changed', changed],
    ] as const) {
      await writeFile(file(name), bytes);
      const empty = await emptyDatabase();
      await assert.rejects(restore(empty.url, file(name)), { code: 'backup-damaged' }, name);
      assert.deepEqual(await on(empty.url, (db) => tablesOf(db)), [], name);
      await empty.drop();
    }
  });

  test('what differs is said: a row more, a row less, a row changed', async () => {
    const was = await contents(made.url);
    await on(made.url, async (db) => {
      await sql`update person set name = name || '!' where id = 1`.execute(db);
      await sql`insert into wrong_pin (person_id, device_id, at) select 1, id, now() from device limit 0`.execute(db);
      await sql`delete from season where ctid in (select ctid from season limit 1)`.execute(db);
    });
    assert.deepEqual(
      differences(was, await contents(made.url)).map((line) => line.replaceAll(/\d+/g, 'n')),
      ['person has other rows than it had', 'season had n rows, and has n'],
    );
    assert.deepEqual(differences(was, { ...was, person: { rows: 1, hash: '0' } }).length, 1);
  });

  test('nothing is there under its name until all of it is', async () => {
    await assert.rejects(backUp(made.url.replace(/[^/]*$/, 'no_such'), file('never')));
    assert.ok((await readdir(folder)).every((name) => !name.startsWith('never')));
  });

  test('in the open form, out and in again, it is the same; photos are pictures; PINs go along only when asked', async () => {
    const bytes = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#884422' } })
      .jpeg()
      .toBuffer();
    const id = randomUUID();
    await on(made.url, (db) =>
      db
        .insertInto('photo')
        .values({
          id,
          person_id: 1,
          media_type: 'image/jpeg',
          width: 40,
          height: 30,
          bytes,
          sent_hash: null,
          thumb: null,
          taken_at: new Date(),
        })
        .execute(),
    );
    for (const withPins of [true, false]) {
      const written = await on(made.url, (_db, pool) => exportYard(pool, file(`open-${withPins}.zip`), { withPins }));
      const zip = await openZip(file(`open-${withPins}.zip`));
      assert.deepEqual(await zip.read(`photos/${id}.jpg`), bytes);
      const people = (await zip.read('tables/person.jsonl')).toString('utf8').trim().split('\n');
      assert.equal(
        people.some((line) => line.includes('argon2')),
        withPins,
      );
      const log = (await zip.read('tables/log_entry.jsonl')).toString('utf8').trim().split('\n');
      assert.equal(log.length, written.contents['log_entry']?.rows);
      assert.equal(typeof (JSON.parse(log[0] ?? '{}') as { kind?: unknown }).kind, 'string');
      zip.close();
      const fresh = await makeDatabase();
      await on(fresh.url, (db) => importYard(db, file(`open-${withPins}.zip`)));
      await on(fresh.url, (db) => assert.rejects(importYard(db, file(`open-${withPins}.zip`)), /already-there/));
      assert.equal(await on(fresh.url, (db) => checkAll(db, () => undefined)), 0);
      // New rows go on after the old ones.
      await on(fresh.url, async (db) => {
        const { id: next } = await db
          .insertInto('model')
          .values({ class_id: 'generator', make: 'Tuvellan', name: 'Next' })
          .returning('id')
          .executeTakeFirstOrThrow();
        const { rows } = await sql<{ most: number }>`select max(id) as most from model`.execute(db);
        assert.equal(rows[0]?.most, next);
      });
      await fresh.drop();
    }
  });
});
