import path from 'node:path';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { loadDemo, startServer } from '../demoServer.mjs';
import { freePort, startThrowAwayPostgres } from '../postgres.mjs';
import { startProxy } from '../proxy.mjs';
import { deviceAt, pause, quantile, until } from './device.mjs';

const AT_ONCE = 20;
const KILLS = 10;

/** Two processes behind nginx, killed in turn under load: is anything refused, is anything told late, is anything written twice? Out: figures. */
async function severalDrill() {
  const postgres = await startThrowAwayPostgres();
  const env = { ...loadDemo(postgres, 'hudrik_several'), HUDRIK_LOG: 'silent' };
  const ports = [await freePort(), await freePort(), await freePort()];
  const servers = [await startServer(env, ports[0]), await startServer(env, ports[1])];
  const folder = mkdtempSync(path.join(tmpdir(), 'hudrik-proxy-'));
  const proxy = startProxy({ folder, host: '127.0.0.1', port: ports[2], ports: ports.slice(0, 2) });
  const url = `http://127.0.0.1:${ports[2]}`;
  try {
    await until(async () => (await fetch(`${url}/api/health`)).status > 0);
    const told = await tellsAtOnce(url, ports);
    const { answers, kept } = await underLoad(url, servers, (n) => startServer(env, ports[n]));
    const reader = deviceAt(() => url);
    await reader.signIn();
    const there = await textsOf(reader);
    return { told, answers, kept: kept.length, lost: kept.filter((text) => !there.has(text)).length };
  } finally {
    proxy.kill('SIGTERM');
    await Promise.all(servers.map((server) => server.kill()));
    postgres.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Requests at once while one process after the other is killed and started again. */
async function underLoad(url, servers, start) {
  const answers = new Map();
  const kept = [];
  let isOver = false;
  const work = async () => {
    const device = deviceAt(() => url);
    await device.signIn();
    for (let n = 0; !isOver; n++) {
      const text = `Several ${crypto.randomUUID()}`;
      const isNote = n % 4 === 0;
      const asking = isNote ? device.note('GE-03', text) : device.ask('GET', '/api/units?limit=20');
      const answer = await asking.catch(() => null);
      const status = answer?.status ?? 0;
      answers.set(status, (answers.get(status) ?? 0) + 1);
      await answer?.arrayBuffer().catch(() => null);
      if (isNote && answer?.ok) kept.push(text);
    }
  };
  const working = Array.from({ length: AT_ONCE }, work);
  for (let n = 0; n < KILLS; n++) {
    await pause(700);
    await servers[n % 2].kill();
    await pause(300);
    servers[n % 2] = await start(n % 2);
  }
  isOver = true;
  await Promise.all(working);
  return { answers, kept };
}

/** All the notes of the unit, page by page. */
async function textsOf(device) {
  const texts = new Set();
  for (let cursor = ''; cursor !== null;) {
    const page = await device.read(`/api/units/GE-03/history?limit=100${cursor ? `&cursor=${cursor}` : ''}`);
    for (const record of page.records) texts.add(record.facts?.text);
    cursor = page.next ?? null;
  }
  return texts;
}

/** How long until a screen that listens through nginx hears what came in at either process. */
async function tellsAtOnce(url, ports) {
  const listener = deviceAt(() => url);
  await listener.signIn('lead');
  const gone = new AbortController();
  const answer = await fetch(`${url}/api/events`, { headers: { cookie: listener.cookies() }, signal: gone.signal });
  const reader = answer.body.getReader();
  let wake = () => undefined;
  void (async () => {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return;
      if (new TextDecoder().decode(value).includes('data:')) wake();
    }
  })().catch(() => undefined);
  const writers = await Promise.all(
    ports.slice(0, 2).map(async (port) => {
      const writer = deviceAt(() => `http://127.0.0.1:${port}`);
      await writer.signIn();
      return writer;
    }),
  );
  const times = [];
  for (let n = 0; n < 40; n++) {
    const heard = new Promise((resolve) => (wake = resolve));
    const began = performance.now();
    await writers[n % 2].note('GE-03', `Told ${n}`);
    await heard;
    times.push(performance.now() - began);
  }
  gone.abort();
  return { median: quantile(times, 0.5), most: Math.max(...times) };
}

export async function saySeveral() {
  const { told, answers, kept, lost } = await severalDrill();
  const said = [...answers].sort(([a], [b]) => a - b).map(([status, times]) => `${status || 'none'} × ${times}`);
  console.log(`\ntwo processes behind nginx, one of them killed ${KILLS} times under ${AT_ONCE} requests at once
  answers: ${said.join(', ')}; of ${kept} notes acknowledged lost ${lost}
  from a change at either to a screen that listens: median ${told.median.toFixed(0)} ms, at most ${told.most.toFixed(0)} ms`);
}
