import assert from 'node:assert/strict';
import { connect } from 'node:net';
import { test } from 'node:test';
import { OPERATIONS } from '@hudrik/core/contracts';
import express from 'express';
import pino from 'pino';
import { portOf } from '../portOf';
import { bodyOf } from './bodies';
import { onError } from './onError';

test('a body that drips in is cut off in its time; one that comes at once is not', async () => {
  const app = express();
  app.post(
    '/',
    ...bodyOf(OPERATIONS.addLogEntry, { json: 150, raw: 150 }),
    (_request, response) => void response.json({}),
  );
  app.use(onError(pino({ level: 'silent' })));
  const server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const began = Date.now();
  const said = await new Promise<string>((resolve) => {
    const socket = connect(portOf(server), '127.0.0.1');
    let text = '';
    socket.on('data', (chunk) => (text += String(chunk)));
    socket.on('error', () => undefined);
    socket.on('close', () => resolve(text));
    socket.write('POST / HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Length: 5000\r\n\r\n{');
    const drip = setInterval(() => socket.write(' '), 20);
    socket.on('close', () => clearInterval(drip));
  });
  assert.match(said, /^HTTP\/1\.1 408 .*"too-slow"/s);
  assert.ok(Date.now() - began < 3000);
  const quick = await fetch(`http://127.0.0.1:${portOf(server)}/`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: '{}',
  });
  assert.equal(quick.status, 200);
  server.closeAllConnections();
  server.close();
});
