import assert from 'node:assert/strict';
import type { Server } from 'node:http';
import { connect } from 'node:net';
import { test } from 'node:test';
import { OPERATIONS } from '@hudrik/core/contracts';
import express from 'express';
import pino from 'pino';
import { portOf } from '../portOf';
import { bodyOf } from './bodies';
import { onError } from './onError';

/** So long a body may take. */
const PATIENCE_MS = 150;

async function serve(): Promise<Server> {
  const app = express();
  app.post(
    '/',
    ...bodyOf(OPERATIONS.addLogEntry, { json: PATIENCE_MS, raw: PATIENCE_MS }),
    (_request, response) => void response.json({}),
  );
  app.use(onError(pino({ level: 'silent' })));
  const server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  return server;
}

/** Says that much will come, and lets it drip. Out: what is answered until the connection is cut. */
const dripping = (server: Server, head = ''): Promise<string> =>
  new Promise((resolve) => {
    const socket = connect(portOf(server), '127.0.0.1');
    let text = '';
    socket.on('data', (chunk) => (text += String(chunk)));
    socket.on('error', () => undefined);
    socket.on('close', () => resolve(text));
    const length = 'Content-Type: application/json\r\nContent-Length: 5000';
    socket.write(`POST / HTTP/1.1\r\nHost: x\r\n${head}${length}\r\n\r\n{`);
    const drip = setInterval(() => socket.write(' '), 20);
    socket.on('close', () => clearInterval(drip));
  });

test('a body that is refused unread, and drips on, harms nobody and is cut off', async () => {
  const server = await serve();
  const began = Date.now();
  // An encoding that nobody knows is refused before a byte of it is read.
  assert.match(await dripping(server, 'Content-Encoding: stones\r\n'), /^HTTP\/1\.1 4\d\d .*not-/s);
  assert.ok(Date.now() - began < 3000);
  // What would have thrown had ended this process.
  assert.equal((await fetch(`http://127.0.0.1:${portOf(server)}/`, { method: 'POST' })).status, 200);
  server.closeAllConnections();
  server.close();
});

test('a body that drips in is cut off in its time; one that comes at once is not', async () => {
  const server = await serve();
  const began = Date.now();
  const said = await dripping(server);
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
