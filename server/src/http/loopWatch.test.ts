import assert from 'node:assert/strict';
import { setTimeout as pause } from 'node:timers/promises';
import { once } from 'node:events';
import { test } from 'node:test';
import express from 'express';
import { portOf } from '../portOf';
import { LoopWatch } from './loopWatch';

test('a request that lets nobody else be answered is named in the log; one that only takes long is not', async (t) => {
  const said: { ms: number; requests: string[] }[] = [];
  const watch = new LoopWatch({ warn: ((about: (typeof said)[number]) => void said.push(about)) as never });
  const app = express();
  app.use((_request, response, next) => {
    response.locals['request'] = 'r1';
    next();
  });
  app.use(watch.note);
  app.get('/calendar/:secret', async (_request, response) => {
    await pause(1300);
    response.end();
  });
  app.get('/busy', (_request, response) => {
    const until = performance.now() + 900;
    while (performance.now() < until);
    response.end();
  });
  const stop = watch.start();
  const server = app.listen(0, '127.0.0.1');
  t.after(() => {
    stop();
    server.close();
    server.closeAllConnections();
  });
  await once(server, 'listening');
  const url = `http://127.0.0.1:${portOf(server)}`;
  await fetch(`${url}/calendar/abc`);
  const before = said.filter(({ ms }) => ms >= 850);
  await fetch(`${url}/busy`);
  await pause(1300);
  const blocked = said.filter(({ ms }) => ms >= 850);
  assert.deepEqual(before, []);
  assert.equal(blocked.length, 1);
  assert.ok(blocked[0]?.requests.includes('r1 GET /busy'), JSON.stringify(said));
});
