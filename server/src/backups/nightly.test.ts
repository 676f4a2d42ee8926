import assert from 'node:assert/strict';
import { existsSync } from 'node:fs';
import { mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { after, before, describe, test } from 'node:test';
import type { Status } from '@hudrik/core/contracts';
import { readHealth, readStatus } from '../status/readStatus';
import { useYard } from '../testing/yard';
import { backUpWhenDue, takeBackup, type Backups } from './nightly';

describe('backups by themselves', () => {
  const yard = useYard();
  let folder: string;
  let backups: Backups;
  let why: string | null = null;
  before(async () => {
    folder = await mkdtemp(path.join(tmpdir(), 'hudrik-nightly-'));
    await yard.ask('PUT', '/api/settings', {
      as: 'lead',
      body: { yard: 'Ours', currency: 'NOK', locale: 'nb-NO', timeZone: 'Europe/Oslo' },
    });
    const write = async (file: string) => {
      if (why !== null) throw new Error(why);
      await writeFile(file, 'all of it');
      return { bytes: 9, rows: 3 };
    };
    backups = { folder: path.join(folder, 'kept'), keep: 2, write };
    // Something was done in the background just now.
    await yard.pool.query(`insert into background_task (name, began_at) values ('clean-up', now())`);
  });
  after(() => rm(folder, { recursive: true, force: true }));
  const at = (time: string) => (yard.now = new Date(time));
  const night = async () => {
    const wasDue = await backUpWhenDue(yard.context);
    if (wasDue) await takeBackup(yard.context, backups);
    return wasDue;
  };
  const standing = () => ({
    version: '1',
    startedAt: new Date('2030-03-01T00:00:00Z'),
    dataFolder: folder,
    backups,
    isPrivate: true,
    copy: null,
  });
  const status = () => readStatus(yard.context, standing());

  test('the first at once, then once a night at two by the yard’s clock, or as soon after as the machine is on', async () => {
    at('2030-03-04T09:00:00Z');
    assert.equal(await night(), true);
    assert.equal(await night(), false);
    at('2030-03-05T00:59:00Z');
    assert.equal(await night(), false);
    // Two in the morning in Oslo.
    at('2030-03-05T01:00:00Z');
    assert.equal(await night(), true);
    at('2030-03-08T14:00:00Z');
    assert.equal(await night(), true);
    assert.equal(await night(), false);
  });

  test('so many are kept, the newest', async () => {
    assert.deepEqual((await readdir(backups.folder)).sort(), [
      'yard-2030-03-05T0100.hudrik',
      'yard-2030-03-08T1400.hudrik',
    ]);
    assert.equal((await status()).backups.last?.at, '2030-03-08T14:00:00.000Z');
  });

  test('one that fails says why, is tried again after an hour, and takes none away', async () => {
    why = 'no space left on the device';
    at('2030-03-09T02:00:00Z');
    assert.equal(await night(), true);
    assert.equal(await night(), false);
    const { backups: said, troubles } = await status();
    assert.deepEqual(
      [said.failed?.why, troubles.includes('backup-failed'), troubles.includes('backup-late')],
      [why, true, false],
    );
    assert.equal(existsSync(path.join(backups.folder, 'yard-2030-03-08T1400.hudrik')), true);
    at('2030-03-09T03:00:00Z');
    why = null;
    assert.equal(await night(), true);
    assert.equal((await status()).backups.failed, null);
  });

  test('late it is said, to whoever watches and to a lead', async () => {
    at('2030-03-10T15:00:00Z');
    assert.equal((await status()).troubles.includes('backup-late'), false);
    at('2030-03-10T15:00:01Z');
    assert.deepEqual((await readHealth(yard.context, standing(), true)).troubles, ['backup-late']);
  });

  test('one that a clock wrote that ran ahead counts for nothing: another is due', async () => {
    const { rows } = await yard.pool.query(
      `update backup set began_at = began_at + interval '40 days' where id = (select max(id) from backup where why_not is null) returning id`,
    );
    assert.notEqual((await status()).backups.last?.at, '2030-04-18T03:00:00.000Z');
    assert.equal(await night(), true);
    await yard.pool.query(`update backup set began_at = began_at - interval '40 days' where id = $1`, [rows[0]?.id]);
  });

  test('what waits too long in the background is said, and what fails with why', async () => {
    at('2030-03-10T10:00:00Z');
    await yard.signInAgain();
    await yard.ask('POST', '/api/desk/read', { as: 'lead', body: {} });
    const { rows } = await yard.pool.query(
      `update hudrik_worker._private_jobs set run_at = now() - interval '20 minutes', attempts = 2, last_error = 'no answer' returning id`,
    );
    assert.ok(rows.length > 0);
    const { queue, troubles } = await status();
    assert.ok(queue.waiting > 0);
    assert.deepEqual([queue.failing[0]?.why, troubles.includes('queue-stuck')], ['no answer', true]);
  });

  test('a lead reads it, and has one written now; health says it in short', async () => {
    const read = await yard.read<Status>('/api/status', 'lead');
    assert.deepEqual([read.database.role, read.database.isSuperuser, read.devices.letIn], ['hudrik_app', false, 1]);
    assert.ok(read.database.bytes > 1_000_000);
    assert.equal((await yard.ask('POST', '/api/backups', { as: 'lead', body: {} })).status, 202);
    const health = (await (await yard.ask('GET', '/api/health', { cookie: '' })).json()) as {
      ready: boolean;
      troubles: string[];
    };
    assert.deepEqual([health.ready, health.troubles], [true, ['queue-stuck']]);
  });
});
