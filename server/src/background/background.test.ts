import assert from 'node:assert/strict';
import type { ChildProcess } from 'node:child_process';
import { createServer, type Server, type ServerResponse } from 'node:http';
import { after, before, beforeEach, describe, test } from 'node:test';
import { setTimeout as pause } from 'node:timers/promises';
import type pg from 'pg';
import { databaseOn, openPool } from '../database/open';
import { loadDemo } from '../demo/load';
import { cuttableLine, type Line } from '../testing/cuttable';
import { makeDatabase, type MadeDatabase } from '../testing/databases';
import { kill, launch, until } from '../testing/processes';
import { holdPlace, releaseDead } from './deadWorkers';
import { enqueue } from './enqueue';
import { WORKER_SCHEMA } from './schema';
import { portOf } from '../portOf';

/** A supplier that counts what it is asked, and can be made to think. */
interface Asked {
  readonly url: string;
  readonly counts: Map<string, number>;
  thinks: boolean;
  readonly answerAll: () => void;
  readonly server: Server;
}

async function countingSupplier(): Promise<Asked> {
  const counts = new Map<string, number>();
  const waiting: (() => void)[] = [];
  const answer = (response: ServerResponse, number: string): void => {
    response.setHeader('content-type', 'application/json');
    response.end(
      JSON.stringify({ number, supersededBy: null, name: 'A part', obtainable: true, cents: 100, leadDays: 1 }),
    );
  };
  const server = createServer((request, response) => {
    const number = decodeURIComponent(request.url?.split('/').at(-1) ?? '');
    counts.set(number, (counts.get(number) ?? 0) + 1);
    if (asked.thinks) waiting.push(() => answer(response, number));
    else answer(response, number);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const asked: Asked = {
    url: `http://127.0.0.1:${portOf(server)}`,
    counts,
    thinks: false,
    answerAll: () => waiting.splice(0).forEach((one) => one()),
    server,
  };
  return asked;
}

describe('work left for the background', () => {
  let made: MadeDatabase;
  let supplier: Asked;
  let pool: pg.Pool;
  let line: Line;
  const processes: ChildProcess[] = [];

  const start = async (): Promise<ChildProcess> => {
    const through = new URL(made.url);
    through.port = String(line.port);
    const env = { DATABASE_URL: through.href, PORT: '0', HUDRIK_DEMO: '1', HUDRIK_SUPPLIER_URL: supplier.url };
    const child = await launch('main.ts', env, 'is up at');
    processes.push(child);
    return child;
  };
  const askFor = async (number: string): Promise<void> => {
    const db = databaseOn(pool);
    await db
      .insertInto('supplier_quote')
      .values({ number, asked_at: new Date(), problem: null, name: null, cents: null, lead_days: null })
      .execute();
    await enqueue(db, 'ask-quote', { number }, { key: `quote-${number}` });
  };
  const count = async (query: string): Promise<number> => (await pool.query(query)).rowCount ?? 0;
  const answered = () => count(`select 1 from supplier_quote where answered_at is not null and name = 'A part'`);
  const asks = () => count(`select 1 from ${WORKER_SCHEMA}.jobs where task_identifier = 'ask-quote'`);

  before(async () => {
    made = await makeDatabase();
    pool = openPool(made.url, 4);
    await loadDemo(databaseOn(pool), new Date(), { days: 10 });
    supplier = await countingSupplier();
    const { hostname, port } = new URL(made.url);
    line = await cuttableLine(hostname, Number(port));
  });
  beforeEach(async () => {
    await pool.query('delete from supplier_quote');
    supplier.counts.clear();
    supplier.thinks = false;
  });
  after(async () => {
    await Promise.all(processes.map(kill));
    supplier.server.close();
    supplier.server.closeAllConnections();
    line.stop();
    await pool.end();
    await made.drop();
  });

  test('a job that its process was killed in is run again by the next one', async () => {
    const first = await start();
    supplier.thinks = true;
    await askFor('K-1');
    await until(() => supplier.counts.get('K-1') === 1);
    await kill(first);
    assert.deepEqual([await answered(), await asks()], [0, 1]);
    supplier.thinks = false;
    await start();
    await until(async () => (await answered()) === 1 && (await asks()) === 0);
    assert.equal(supplier.counts.get('K-1'), 2);
  });

  test('two processes share it: each job is run once', async () => {
    const second = await start();
    for (let n = 0; n < 24; n++) await askFor(`S-${n}`);
    await until(async () => (await answered()) === 24 && (await asks()) === 0);
    assert.deepEqual([supplier.counts.size, new Set(supplier.counts.values())], [24, new Set([1])]);
    await kill(second);
  });

  test('a database that goes away in the middle of a job, and comes back, ends neither the process nor the background', async () => {
    const alive = processes.filter((child) => child.exitCode === null && child.signalCode === null);
    assert.equal(alive.length, 1);
    supplier.thinks = true;
    await askFor('A-1');
    await until(() => supplier.counts.get('A-1') === 1);
    line.cut();
    supplier.answerAll();
    await pause(300);
    supplier.thinks = false;
    line.join();
    await askFor('A-2');
    await until(async () => (await answered()) === 2 && (await asks()) === 0, 20_000);
    assert.equal(alive[0]?.exitCode, null);
  });

  test('a process that lives keeps its jobs, and its place when its connection breaks; one that is gone loses both', async () => {
    const leave = holdPlace(pool, 'worker_a');
    const lock = `select pid from pg_locks where locktype = 'advisory' and granted and objid = hashtext('worker_a')::bigint::bit(32)::bigint::oid`;
    await until(async () => (await count(lock)) === 1);
    await enqueue(
      databaseOn(pool),
      'ask-quote',
      { number: 'D-1' },
      {
        key: 'held',
        runAt: new Date(Date.now() + 3_600_000),
      },
    );
    await pool.query(
      `update ${WORKER_SCHEMA}._private_jobs set locked_by = 'worker_a', locked_at = now() where key = 'held'`,
    );
    const locked = () => count(`select 1 from ${WORKER_SCHEMA}._private_jobs where locked_by = 'worker_a'`);
    assert.equal(await releaseDead(pool), 0);
    const holder = async (): Promise<number | undefined> => (await pool.query<{ pid: number }>(lock)).rows[0]?.pid;
    const before = await holder();
    await pool.query('select pg_terminate_backend($1)', [before]);
    await until(async () => ![undefined, before].includes(await holder()));
    assert.equal(await releaseDead(pool), 0);
    leave();
    await until(async () => (await count(lock)) === 0);
    assert.equal(await locked(), 1);
    assert.equal(await releaseDead(pool), 1);
    assert.equal(await locked(), 0);
  });
});
