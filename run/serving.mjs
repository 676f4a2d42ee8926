import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import autocannon from 'autocannon';
import { startServer } from './demoServer.mjs';
import { deviceAt } from './drills/device.mjs';
import { ROOT } from './places.mjs';
import { freePort } from './postgres.mjs';
import { startProxy } from './proxy.mjs';
import { ROLES } from './roles.mjs';

const SECONDS = 8;
const BEGINNING_SECONDS = 5;
const CROWD_SECONDS = 20;
const READERS = 200;
const WRITERS = 5;
const YARD = '/api/units?limit=100';

/**
 * The yard's first page under load, on a database that is there already: against bare express and pg on the same rows, by one process and by two
 * behind nginx; and how long the slowest wait when two hundred read and five write.
 */
export async function serving(postgres, database) {
  const env = { DATABASE_URL: postgres.urlAs(ROLES.app, database), HUDRIK_OWNER_URL: postgres.urlOf(database) };
  const own = { ...env, HUDRIK_LOG: 'error', HUDRIK_BACKUPS: '' };
  const plain = await bareRate(env);
  const one = await startServer(own, await freePort());
  const device = deviceAt(() => one.url);
  await device.signIn('lead');
  await warm(one.url + YARD, device.cookies());
  const alone = await load(one.url + YARD, device.cookies(), 20);

  const two = await startServer(own, await freePort());
  const folder = mkdtempSync(path.join(tmpdir(), 'hudrik-serving-'));
  const port = await freePort();
  const ports = [one, two].map(({ url }) => Number(new URL(url).port));
  const proxy = startProxy({ folder, host: '127.0.0.1', port, ports });
  const behind = `http://127.0.0.1:${port}`;
  try {
    await new Promise((resolve) => setTimeout(resolve, 500));
    await warm(behind + YARD, device.cookies());
    const both = await load(behind + YARD, device.cookies(), 20);
    const crowds = [];
    for (const [who, url] of [
      ['one process', one.url],
      ['two processes', behind],
    ])
      for (const isMixed of [false, true]) crowds.push({ who, isMixed, ...(await crowd(url, device, isMixed)) });
    return { plain, alone, both, crowds };
  } finally {
    proxy.kill('SIGTERM');
    await one.kill();
    await two.kill();
    rmSync(folder, { recursive: true, force: true });
  }
}

function startBare(env) {
  const child = spawn(process.execPath, ['run/bare.mjs'], {
    cwd: ROOT,
    env: { ...process.env, ...env, PORT: '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    child.once('exit', () => reject(new Error('the bare server ended')));
    child.stdout.on('data', (chunk) => {
      const port = /up at (\d+)/.exec(String(chunk))?.[1];
      if (port) resolve({ url: `http://127.0.0.1:${port}/`, stop: () => child.kill('SIGTERM') });
    });
  });
}

const load = (url, cookie, connections) =>
  autocannon({ url, connections, duration: SECONDS, headers: cookie ? { cookie } : {} });

/**
 * Many who read page after page, each beginning elsewhere in the list of paths. Out: how long each waited once all of them are at it: that all two
 * hundred come in one moment is another matter, and is said by the most that anybody waited.
 */
async function reading(url, cookie, paths) {
  let begun = 0;
  const waits = [];
  let most = 0;
  const began = Date.now();
  const running = autocannon({
    ...{ url, connections: READERS, duration: BEGINNING_SECONDS + CROWD_SECONDS, headers: { cookie } },
    setupClient: (client) => {
      const from = Math.floor((begun++ * paths.length) / READERS);
      client.setRequests([...paths.slice(from), ...paths.slice(0, from)].map((path) => ({ path })));
    },
  });
  running.on('response', (_client, _status, _bytes, ms) => {
    most = Math.max(most, ms);
    if (Date.now() - began > BEGINNING_SECONDS * 1000) waits.push(ms);
  });
  const { non2xx, errors, timeouts } = await running;
  waits.sort((a, b) => a - b);
  const at = (share) => Math.round(waits[Math.floor(waits.length * share)] ?? 0);
  return { p50: at(0.5), p99: at(0.99), most: Math.round(most), pages: waits.length, bad: non2xx + errors + timeouts };
}

const warm = (url, cookie) => autocannon({ url, connections: 10, duration: 2, headers: cookie ? { cookie } : {} });

async function bareRate({ HUDRIK_OWNER_URL: url }) {
  const bare = await startBare({ DATABASE_URL: url });
  await warm(bare.url);
  const plain = await load(bare.url, null, 20);
  bare.stop();
  return plain;
}

/** Many who read while some write. */
async function crowd(url, device, isMixed) {
  let isOver = false;
  let written = 0;
  const writers = Array.from({ length: WRITERS }, () => deviceAt(() => url));
  // Letting in and signing in take a processor for a while each: that is the morning, not the day.
  for (const own of writers) await own.signIn('technician');
  const write = async (own) => {
    while (!isOver) if ((await own.note('GE-01', 'While all read')).ok) written++;
  };
  const writing = writers.map(write);
  const { units } = await device.read(YARD);
  const pages = units.slice(0, 100).flatMap(({ tag }) => [`/api/units/${tag}`, `/api/units/${tag}/history`]);
  // Half of what is asked for is the yard, the rest each another unit or its history; nobody begins where another does.
  const mixed = pages.flatMap((page) => [YARD, page]);
  const read = await reading(url, device.cookies(), isMixed ? mixed : [YARD]);
  isOver = true;
  await Promise.all(writing);
  return { read, written };
}

export function sayServing({ plain, alone, both, crowds }) {
  const rate = ({ requests }) => requests.average;
  const bad = ({ non2xx, errors, timeouts }) => non2xx + errors + timeouts;
  const crowdOf = ({ read, written }) =>
    `p50 ${read.p50} ms, p99 ${read.p99} ms, most ${read.most} ms with the moment in which all began; ${(read.pages / CROWD_SECONDS).toFixed(0)} pages/s, ${(written / (BEGINNING_SECONDS + CROWD_SECONDS)).toFixed(0)} notes/s, refused ${read.bad}`;
  console.log(`\nthe yard's first page of 100, 20 at once, ${SECONDS} s each: bare express and pg ${rate(plain).toFixed(0)}/s; one process ${rate(alone).toFixed(0)}/s (ratio ${(rate(alone) / rate(plain)).toFixed(2)}, wanted 0.6); two behind nginx ${rate(both).toFixed(0)}/s (${(rate(both) / rate(alone)).toFixed(2)} of one)
refused at all ${bad(alone) + bad(both)}`);
  for (const { who, isMixed, ...each } of crowds)
    console.log(
      `${READERS} who read ${isMixed ? 'the yard, units and histories' : 'the yard'}, ${WRITERS} who write, ${who} (wanted p99 under 1 s): ${crowdOf(each)}`,
    );
}
