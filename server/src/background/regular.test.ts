import assert from 'node:assert/strict';
import { before, beforeEach, describe, test } from 'node:test';
import { REGULAR_TASKS, type Status } from '@hudrik/core/contracts';
import { runOnce } from 'graphile-worker';
import { pino, type Logger } from 'pino';
import { useYard } from '../testing/yard';
import { jumpMeter, keepJump, secondsAhead } from './clockJumps';
import { startHeart } from './heart';
import { askWhatIsDue, bringBackWhatWasPutOff } from './regular';
import { taskListOf } from './runner';
import { WORKER_SCHEMA } from './schema';
import { tasksOf } from './tasks';
import { watched } from './watched';
import { until } from '../testing/processes';

/** A log whose lines can be read. */
function heard(): { readonly log: Logger; readonly lines: { msg: string; task?: string; failures?: number }[] } {
  const lines: { msg: string }[] = [];
  return { lines, log: pino({}, { write: (line: string) => void lines.push(JSON.parse(line)) }) };
}

describe('what is done again and again', () => {
  const yard = useYard();
  const { log: silent } = heard();
  const jobs = async () =>
    (
      await yard.pool.query<{ task: string; queue: string }>(
        `select task_identifier as task, queue_name as queue from ${WORKER_SCHEMA}.jobs order by 1`,
      )
    ).rows;
  const status = () => yard.read<Status>('/api/status', 'lead');
  const rowOf = async (task: string) =>
    (await yard.pool.query('select * from background_task where name = $1', [task])).rows[0];

  beforeEach(async () => {
    await yard.pool.query(`delete from ${WORKER_SCHEMA}._private_jobs`);
    await yard.pool.query('delete from background_task');
    await yard.pool.query('delete from clock_jump');
  });

  test('each is asked for once in its time, by whichever process is first, and waits for itself alone', async () => {
    const asked = await Promise.all([askWhatIsDue(yard.pool), askWhatIsDue(yard.pool)]);
    assert.deepEqual(asked.flat().sort(), [...REGULAR_TASKS].sort());
    const left = await jobs();
    assert.equal(left.length, REGULAR_TASKS.length);
    assert.ok(left.every(({ task, queue }) => task === queue));
    assert.deepEqual(await askWhatIsDue(yard.pool), []);
    await yard.pool.query(
      `update background_task set asked_at = now() - interval '61 seconds' where name = 'read-desk'`,
    );
    assert.deepEqual(await askWhatIsDue(yard.pool), ['read-desk']);
    // One that nobody has come to yet is not asked for twice.
    assert.equal((await jobs()).length, REGULAR_TASKS.length);
  });

  test('one that fails, and one that hangs, are in no other’s way; the backup is started all the same', async () => {
    let started = 0;
    const tasks = tasksOf(
      {
        ...yard.context,
        desk: { read: () => Promise.reject(new Error('a NUL in its UID')) },
        equipment: { read: () => new Promise(() => undefined) },
      },
      yard.supplier,
      silent,
      { folder: '/nowhere', keep: 1, write: async () => ({ bytes: 1, rows: 1 }) },
    );
    const regular = {
      ...tasks.regular,
      // What hangs for ever, ended after a moment instead of two minutes.
      'read-equipment': () => watched(yard.db, 'read-equipment', () => new Promise(() => undefined), silent, 300),
    };
    await askWhatIsDue(yard.pool);
    const list = taskListOf({ ...tasks, regular });
    await runOnce({
      ...{ pgPool: yard.pool, schema: WORKER_SCHEMA, noHandleSignals: true, concurrency: 4 },
      taskList: {
        ...list,
        'back-up': async () => {
          started++;
        },
      },
    });
    assert.equal(started, 1);
    const [desk, machines, fuel] = [
      await rowOf('read-desk'),
      await rowOf('read-equipment'),
      await rowOf('find-stale-fuel'),
    ];
    assert.deepEqual([desk.failures, desk.why, desk.well_at], [1, 'a NUL in its UID', null]);
    assert.deepEqual([machines.failures, machines.why], [1, 'It took longer than 0 s.']);
    assert.deepEqual([fuel.failures, fuel.failing_since], [0, null]);
    assert.ok(fuel.well_at instanceof Date);
    assert.deepEqual((await jobs()).length, 0);
  });

  test('since when it fails is kept, and told as a trouble from the second time on; gone well, it is over', async () => {
    const fail = () => watched(yard.db, 'read-desk', () => Promise.reject(new Error('No.')), silent);
    await fail();
    const first = (await rowOf('read-desk')).failing_since;
    assert.deepEqual((await status()).troubles.includes('task-failing'), false);
    await fail();
    const row = await rowOf('read-desk');
    assert.deepEqual([row.failures, row.failing_since], [2, first]);
    const told = await status();
    assert.ok(told.troubles.includes('task-failing'));
    assert.deepEqual(
      told.tasks.map(({ task, failures, why }) => [task, failures, why]),
      [['read-desk', 2, 'No.']],
    );
    await watched(yard.db, 'read-desk', async () => undefined, silent);
    assert.equal((await status()).troubles.includes('task-failing'), false);
  });

  test('the log says a failure once, then how often, and that it is over; another reason is said anew', async () => {
    const { log, lines } = heard();
    const fail = (why: string) => watched(yard.db, 'read-desk', () => Promise.reject(new Error(why)), log);
    for (let n = 0; n < 60; n++) await fail('Away.');
    assert.deepEqual(
      lines.map(({ msg, failures }) => [msg, failures]),
      [
        ['a background task failed', undefined],
        ['a background task fails again and again', 60],
      ],
    );
    await fail('Nonsense.');
    await watched(yard.db, 'read-desk', async () => undefined, log);
    assert.deepEqual(
      lines.slice(2).map(({ msg, failures }) => [msg, failures]),
      [
        ['a background task failed', undefined],
        ['a background task goes well again', 61],
      ],
    );
  });

  test('nothing for five minutes is a trouble; what was done at a time that has not come counts for nothing', async () => {
    const isStill = async () => (await status()).troubles.includes('background-still');
    const began = (when: string) =>
      yard.pool.query(
        `insert into background_task (name, began_at) values ('clean-up', ${when})
          on conflict (name) do update set began_at = excluded.began_at`,
      );
    const started = yard.now;
    yard.later(1);
    await began(`now() - interval '6 minutes'`);
    assert.equal(await isStill(), true);
    await began(`now() - interval '4 minutes'`);
    assert.equal(await isStill(), false);
    await began(`now() + interval '40 days'`);
    assert.equal(await isStill(), true);
    yard.now = started;
    assert.equal(await isStill(), false);
  });
});

describe('a clock that ran ahead', () => {
  const yard = useYard();
  before(() => askWhatIsDue(yard.pool));

  test('what it asked for is due now, and what it left is done now', async () => {
    await yard.pool.query(`update background_task set asked_at = now() + interval '40 days'`);
    await yard.pool.query(
      `update ${WORKER_SCHEMA}._private_jobs set run_at = now() + interval '40 days', created_at = now() + interval '40 days'`,
    );
    assert.equal(await secondsAhead(yard.pool), 40 * 86_400);
    assert.equal(await bringBackWhatWasPutOff(yard.pool), REGULAR_TASKS.length);
    assert.equal((await askWhatIsDue(yard.pool)).length, REGULAR_TASKS.length);
    assert.equal(await secondsAhead(yard.pool), 0);
    // Two minutes are enough to be said, and are said once.
    await yard.pool.query(`update background_task set asked_at = now() + interval '2 minutes' where name = 'clean-up'`);
    assert.equal(await secondsAhead(yard.pool), 120);
    assert.deepEqual(await askWhatIsDue(yard.pool), ['clean-up']);
    assert.equal(await secondsAhead(yard.pool), 0);
    const late = await yard.pool.query(`select 1 from ${WORKER_SCHEMA}.jobs where run_at > now()`);
    assert.equal(late.rowCount, 0);
  });

  test('what was put off on purpose stays so', async () => {
    await yard.pool.query(`update ${WORKER_SCHEMA}._private_jobs set run_at = now() + interval '2 days'`);
    assert.equal(await bringBackWhatWasPutOff(yard.pool), 0);
  });

  test('the jump is seen by a clock that nobody sets, kept once, and told for a day', async () => {
    let [wall, steady] = [1_000_000, 0];
    const jump = jumpMeter(
      () => wall,
      () => steady,
    );
    const pass = (ms: number, put = 0): number => {
      wall += ms + put;
      steady += ms;
      return jump();
    };
    assert.deepEqual(
      [pass(15_000), pass(15_000, 3_600_000), pass(15_000), pass(15_000, -3_600_000)],
      [0, 3600, 0, -3600],
    );
    assert.equal(pass(15_000, 30_000), 0);
    const told = async () => (await yard.read<Status>('/api/status', 'lead')).clockJump?.seconds;
    await keepJump(yard.pool, -3600);
    await keepJump(yard.pool, -3590);
    assert.equal(await told(), -3600);
    await yard.pool.query(`update clock_jump set found_at = now() - interval '25 hours'`);
    assert.equal(await told(), undefined);
  });

  test('a beat asks for what is due, says a jump, and one that fails does not end it', async () => {
    const { log, lines } = heard();
    await yard.pool.query(`update background_task set asked_at = now() + interval '3 hours'`);
    await yard.pool.query('delete from clock_jump');
    const broken = { query: () => Promise.reject(new Error('gone')), connect: () => Promise.reject(new Error('gone')) };
    let isBroken = true;
    const pool = new Proxy(yard.pool, {
      get: (real, name) => Reflect.get(isBroken && Object.hasOwn(broken, name) ? broken : real, name),
    });
    const heart = startHeart(pool, log, 40);
    await until(() => lines.length > 0);
    await new Promise((resolve) => setTimeout(resolve, 150));
    assert.deepEqual(
      lines.map(({ msg }) => msg),
      ['what is due cannot be asked for'],
    );
    isBroken = false;
    await until(async () => (await secondsAhead(yard.pool)) === 0);
    await heart.stop();
    assert.ok(lines.some(({ msg }) => msg === 'what is due is asked for again'));
    assert.equal((await yard.pool.query('select 1 from clock_jump where seconds < -10000')).rowCount, 1);
  });

  test('a sign-in that it made, which would last too long, is none', async () => {
    const { status } = await yard.ask('GET', '/api/shift', { as: 'lead' });
    assert.equal(status, 200);
    await yard.pool.query(`update session set expires_at = expires_at + interval '40 days'`);
    assert.equal((await yard.ask('GET', '/api/shift', { as: 'lead' })).status, 401);
    await yard.pool.query(`update session set expires_at = expires_at - interval '40 days'`);
    assert.equal((await yard.ask('GET', '/api/shift', { as: 'lead' })).status, 200);
  });
});
