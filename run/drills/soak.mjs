import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { loadDemo, startServer } from '../demoServer.mjs';
import { ROOT } from '../places.mjs';
import { freePort, startThrowAwayPostgres } from '../postgres.mjs';
import { deviceAt, pause, quantile } from './device.mjs';

const MINUTES = Number(process.env.HUDRIK_SOAK_MINUTES ?? 30);
/** What the first minutes show is a start. */
const WARM_MINUTES = Math.min(5, MINUTES / 4);
const MOST_MB = 450;
const PEOPLE = [
  'lead',
  'lead',
  'technician',
  'technician',
  'technician',
  'technician',
  'apprentice',
  'apprentice',
  'counter',
  'counter',
];
const PHOTO = readFileSync(path.join(ROOT, 'docs/screenshots/shift-phone.png'));

/** What somebody does next, by how often: of a hundred taps so many. */
const TAPS = [
  [18, 'note', ({ device, tag }) => device.note(tag, `Soak ${crypto.randomUUID()}`)],
  [16, 'unit', ({ device, tag }) => device.ask('GET', `/api/units/${tag}`)],
  [10, 'history', ({ device, tag }) => device.ask('GET', `/api/units/${tag}/history?limit=50`)],
  [10, 'shift', ({ device }) => device.ask('GET', '/api/shift')],
  [10, 'units', ({ device }) => device.ask('GET', '/api/units?limit=100')],
  [8, 'jobs', ({ device }) => device.ask('GET', '/api/jobs')],
  [6, 'bench', ({ device }) => device.ask('GET', '/api/bench')],
  [5, 'hires', ({ device }) => device.ask('GET', '/api/hires')],
  [4, 'service', ({ device }) => device.ask('GET', '/api/service')],
  [4, 'parts', ({ device }) => device.ask('GET', '/api/parts')],
  [3, 'fuel', ({ device, tag }) => device.ask('GET', `/api/units/${tag}/fuel`)],
  [2, 'health', ({ device }) => device.ask('GET', '/api/health')],
  [2, 'labels', ({ device, tag }) => device.ask('GET', `/api/labels.pdf?tags=${tag}`)],
  [1, 'photo', ({ device }) => device.put(`/api/photos/${crypto.randomUUID()}`, PHOTO)],
  [1, 'metrics', ({ device }) => device.ask('GET', '/metrics')],
];
const ALL = TAPS.reduce((sum, [share]) => sum + share, 0);

function nextTap() {
  let at = Math.random() * ALL;
  return TAPS.find(([share]) => (at -= share) < 0) ?? TAPS[0];
}

/** One person, from sign-in to the end of the shift, with a page that listens all the while. */
async function work(url, role, tags, isOver, hear) {
  const device = deviceAt(() => url);
  await device.signIn(role);
  const gone = new AbortController();
  void fetch(`${url}/api/events`, { headers: { cookie: device.cookies() }, signal: gone.signal })
    .then((answer) => answer.arrayBuffer())
    .catch(() => undefined);
  const put = (where, bytes) =>
    fetch(`${url}${where}`, {
      ...{ method: 'PUT', body: bytes },
      headers: { cookie: device.cookies(), 'content-type': 'image/png' },
    });
  while (!isOver()) {
    const [, name, tap] = nextTap();
    const began = performance.now();
    const tag = tags[Math.floor(Math.random() * tags.length)];
    const answer = await tap({ device: { ...device, put }, tag }).catch(() => null);
    await answer?.arrayBuffer().catch(() => null);
    hear(name, answer?.status ?? 0, performance.now() - began);
    // Somebody who works taps every few seconds.
    await pause(500 + 2000 * Math.random());
  }
  gone.abort();
}

const numberIn = (file, pattern) => Number(pattern.exec(readFileSync(file, 'utf8'))?.[1] ?? Number.NaN);

/** What a minute left behind. */
function sample(pid, databaseUrl, times) {
  const asked = `select (select count(*) from pg_stat_activity where datname = current_database()),
    pg_database_size(current_database()), (select sum(size) from pg_ls_waldir())`;
  const { stdout } = spawnSync('psql', [databaseUrl, '-tAF', ' ', '-c', asked], { encoding: 'utf8' });
  const [connections, database, log] = stdout.trim().split(' ').map(Number);
  return {
    memoryMb: numberIn(`/proc/${pid}/status`, /VmRSS:\s+(\d+)/) / 1024,
    threads: numberIn(`/proc/${pid}/status`, /Threads:\s+(\d+)/),
    connections,
    diskMb: (database + log) / 1e6,
    p95: quantile(times, 0.95),
  };
}

/** The median of the slopes between all pairs (Theil–Sen), per hour. In: values a minute apart. */
function slopeOf(values) {
  const slopes = values.flatMap((a, i) => values.slice(i + 1).map((b, n) => ((b - a) / (n + 1)) * 60));
  return quantile(slopes, 0.5);
}

async function soakDrill() {
  const postgres = await startThrowAwayPostgres();
  const env = { ...loadDemo(postgres, 'hudrik_soak'), HUDRIK_LOG: 'error' };
  const server = await startServer(env, await freePort());
  try {
    const first = deviceAt(() => server.url);
    await first.signIn();
    const { units } = await first.read('/api/units?limit=100');
    const tags = units.map(({ tag }) => tag);
    const statuses = new Map();
    let times = [];
    let isOver = false;
    const hear = (name, status, ms) => {
      times.push(ms);
      const kind = status >= 400 || status === 0 ? `${name} ${status}` : `${Math.floor(status / 100)}xx`;
      statuses.set(kind, (statuses.get(kind) ?? 0) + 1);
    };
    const working = PEOPLE.map((role) => work(server.url, role, tags, () => isOver, hear));
    const samples = [];
    for (let minute = 0; minute < MINUTES; minute++) {
      await pause(60_000);
      const own = times;
      times = [];
      samples.push({ ...sample(server.pid, env.HUDRIK_OWNER_URL, own), requests: own.length });
    }
    isOver = true;
    await Promise.all(working);
    const most = numberIn(`/proc/${server.pid}/status`, /VmHWM:\s+(\d+)/) / 1024;
    return { samples, statuses, most };
  } finally {
    await server.kill();
    postgres.stop();
  }
}

export async function saySoak() {
  const { samples, statuses, most } = await soakDrill();
  const late = samples.slice(Math.ceil(WARM_MINUTES));
  const of = (name) => late.map((one) => one[name]);
  const said = (name, digits = 0) => {
    const values = of(name);
    return `${Math.min(...values).toFixed(digits)} to ${Math.max(...values).toFixed(digits)}, ${slopeOf(values).toFixed(1)} an hour`;
  };
  const requests = samples.reduce((sum, one) => sum + one.requests, 0);
  console.log(`\nten people for ${MINUTES} minutes: ${requests} requests
  answers: ${[...statuses].map(([kind, count]) => `${kind} × ${count}`).join(', ')}
  memory of the server with its worker threads, MB: ${said('memoryMb')}; at most ${most.toFixed(0)} (limit ${MOST_MB}: ${most <= MOST_MB ? 'held' : 'NOT HELD'})
  threads: ${said('threads')}; connections: ${said('connections')}
  disk, MB: ${said('diskMb')}; p95 of a request, ms: ${said('p95', 1)}`);
}
