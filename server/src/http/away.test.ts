import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import type { ChildProcess } from 'node:child_process';
import { after, before, describe, test } from 'node:test';
import { setTimeout as pause } from 'node:timers/promises';
import { databaseOn, openPool } from '../database/open';
import { loadDemo } from '../demo/load';
import { cuttableLine, type Line } from '../testing/cuttable';
import { makeDatabase, type MadeDatabase } from '../testing/databases';
import { kill, launch, until } from '../testing/processes';
import { jsonOf } from '../testing/yard';

/** A real server process on a real database, with a line between them, and one to its caller, that can be cut. */
describe('a server whose database goes away', () => {
  let made: MadeDatabase;
  let toDatabase: Line;
  let server: ChildProcess & { readonly text: () => string };
  let url: string;
  let cookie: string;
  const pool = () => openPool(made.url, 2);
  const env = () => {
    const through = new URL(made.url);
    through.port = String(toDatabase.port);
    return { DATABASE_URL: through.href, PORT: '0', HUDRIK_DEMO: '1', HUDRIK_LOG: 'warn' };
  };
  const start = async (): Promise<void> => {
    server = await launch('main.ts', env(), 'is up at');
    url = /up at (\S+)/.exec(server.text())?.[1] ?? '';
  };
  const signIn = async (): Promise<void> => {
    const cookieOf = (answer: Response): string => answer.headers.get('set-cookie')?.split(';')[0] ?? '';
    // The demo lets in whoever looks at it.
    const device = cookieOf(await fetch(`${url}/api/sign-in-options`));
    const answer = await fetch(`${url}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie: device },
      body: JSON.stringify({ personId: 1, pin: '4711' }),
    });
    cookie = `${device}; ${cookieOf(answer)}`;
  };
  const get = (path: string) => fetch(url + path, { headers: { cookie } });
  const note = (id: string, text: string, at = url) =>
    fetch(`${at}/api/log`, {
      method: 'POST',
      headers: { cookie, 'content-type': 'application/json' },
      body: JSON.stringify({ id, kind: 'note', tag: 'GE-01', facts: { text } }),
    });
  const notes = async (text: string): Promise<number> => {
    const own = pool();
    const { rows } = await own.query(`select 1 from log_entry where kind = 'note' and facts ->> 'text' = $1`, [text]);
    await own.end();
    return rows.length;
  };

  before(async () => {
    made = await makeDatabase();
    const own = pool();
    await loadDemo(databaseOn(own), new Date(), { days: 40 });
    await own.end();
    const { hostname, port } = new URL(made.url);
    toDatabase = await cuttableLine(hostname, Number(port));
    await start();
    await signIn();
  });
  after(async () => {
    await kill(server);
    toDatabase.stop();
    await made.drop();
  });

  test('lives on under load, says 503 and when to come again meanwhile, and works again when it is back', async () => {
    let isLoaded = true;
    const statuses = new Set<number>();
    const load = Array.from({ length: 16 }, async (_, n) => {
      while (isLoaded) {
        const answer = await (n % 4 === 0
          ? note(randomUUID(), 'under load')
          : get(n % 2 ? '/api/shift' : '/api/units'));
        statuses.add(answer.status);
        await answer.arrayBuffer();
      }
    });
    try {
      for (let round = 0; round < 3; round++) {
        await pause(250);
        toDatabase.cut();
        await pause(250);
        const away = await get('/api/shift');
        assert.deepEqual([away.status, away.headers.get('retry-after')], [503, '2']);
        assert.equal((await jsonOf<{ code: string }>(away)).code, 'store-away');
        const health = await get('/api/health');
        assert.deepEqual(
          [health.status, await jsonOf<object>(health)],
          [503, { alive: true, ready: false, version: '0.1.0', troubles: ['store-away'] }],
        );
        toDatabase.join();
        await until(async () => (await get('/api/shift')).status === 200);
      }
    } finally {
      toDatabase.join();
      isLoaded = false;
      await Promise.all(load);
    }
    assert.equal(server.exitCode, null);
    assert.deepEqual(
      [...statuses].filter((status) => ![200, 201, 503].includes(status)),
      [],
    );
  });

  test('its background and its event streams work again, too', async () => {
    const stream = await get('/api/events');
    const reader = stream.body?.getReader();
    let heard = '';
    void (async () => {
      for (;;) {
        const { value, done } = (await reader?.read()) ?? { value: undefined, done: true };
        if (done) return;
        heard += new TextDecoder().decode(value);
      }
    })().catch(() => undefined);
    await until(() => heard.includes('retry'));
    toDatabase.cut();
    await pause(100);
    toDatabase.join();
    await until(async () => (await get('/api/shift')).status === 200);
    await until(async () => {
      const asked = await fetch(`${url}/api/parts/TV-2041/quote`, { method: 'POST', headers: { cookie } });
      assert.equal(asked.status, 202);
      await pause(500);
      const quote = await jsonOf<{ answeredAt: string | null }>(await get('/api/parts/TV-2041/quote'));
      return quote.answeredAt !== null && heard.includes('"quote"');
      // A busy machine takes its time until the engine is started again.
    }, 60_000);
    await reader?.cancel();
  });

  test('what it logs of a failure says what failed', () => {
    assert.match(server.text(), /"msg":"store-away"/);
    assert.match(server.text(), /"err":\{"type":"[^"]+","message":"[^"]+/);
    assert.doesNotMatch(server.text(), /"err":\{\}/);
  });

  test('an answer that was lost, and a kill between commit and answer, double nothing', async () => {
    for (let round = 0; round < 3; round++) {
      const { port } = new URL(url);
      const line = await cuttableLine('127.0.0.1', Number(port));
      line.swallowAnswers();
      const id = randomUUID();
      const text = `lost ${round}`;
      const lost = note(id, text, `http://127.0.0.1:${line.port}`).then(
        () => 'answered',
        () => 'lost',
      );
      await until(async () => (await notes(text)) === 1);
      await kill(server);
      line.stop();
      assert.equal(await lost, 'lost');
      await start();
      await signIn();
      const again = await note(id, text);
      assert.deepEqual([again.status, (await jsonOf<{ entry: { id: string } }>(again)).entry.id], [201, id]);
      assert.equal(await notes(text), 1);
    }
  });
});
