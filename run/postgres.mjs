import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  accessSync,
  chmodSync,
  chownSync,
  constants,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  statSync,
} from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensurePostgres, postgresBin } from './install.mjs';
import { DATA, isRoot } from './places.mjs';
import { giveUp, say } from './say.mjs';

/**
 * A private PostgreSQL cluster on loopback, kept in the data folder. One that runs already is used as it is.
 * As root its server runs as Debian's user postgres, since PostgreSQL refuses to run as root.
 */
export async function startPostgres() {
  ensurePostgres();
  return startIn(homeOf(DATA), { durable: true, keep: true });
}

/** A cluster that is thrown away at the end: for tests and the bench. No fsync, so nobody's data belongs in it. */
export async function startThrowAwayPostgres() {
  ensurePostgres();
  return startIn(mkdtempSync(path.join(tmpdir(), 'hudrik-pg-')), { durable: false, keep: false });
}

/** Where the cluster lives: the data folder, unless user postgres cannot reach it. */
function homeOf(data) {
  if (!isRoot || reachableByAll(data)) return path.join(data, 'postgres');
  const elsewhere = path.join(
    '/var/lib/postgresql',
    `hudrik-${createHash('sha256').update(data).digest('hex').slice(0, 12)}`,
  );
  say(`user postgres cannot reach ${data}; its cluster is in ${elsewhere}`);
  return elsewhere;
}

function reachableByAll(folder) {
  for (let at = path.dirname(folder); ; at = path.dirname(at)) {
    if ((statSync(at).mode & 0o001) === 0) return false;
    if (at === path.dirname(at)) return true;
  }
}

async function startIn(home, { durable, keep }) {
  mkdirSync(home, { recursive: true });
  if (isRoot) chownSync(home, idOf('-u'), idOf('-g'));
  chmodSync(home, 0o700);
  if (isRoot) openWay(home);
  const cluster = path.join(home, 'data');
  if (!existsSync(path.join(cluster, 'PG_VERSION')))
    run(home, 'initdb', [
      '-D',
      cluster,
      '-U',
      'hudrik',
      '-A',
      'trust',
      '-E',
      'UTF8',
      '--locale=C.UTF-8',
      ...(durable ? [] : ['--no-sync']),
    ]);
  const running = portOfRunning(home, cluster);
  const port = running ?? (await startServer(home, cluster, durable));
  return {
    urlOf: (database) => `postgres://hudrik@127.0.0.1:${port}/${database}`,
    ensureDatabase: (database) => ensureDatabase(port, database),
    stop: () => {
      if (running !== null) return;
      spawnAs(home, 'pg_ctl', ['-D', cluster, '-m', durable ? 'fast' : 'immediate', '-w', 'stop']);
      if (!keep) rmSync(home, { recursive: true, force: true });
    },
    /** For tests of a database that goes away in the middle. */
    pause: () => run(home, 'pg_ctl', ['-D', cluster, '-m', 'immediate', '-w', 'stop']),
    resume: () => startAt(home, cluster, durable, port),
  };
}

/** The data folder itself may be private to root: user postgres only has to pass through. */
function openWay(home) {
  try {
    accessSync(path.dirname(home), constants.X_OK);
    chmodSync(path.dirname(home), statSync(path.dirname(home)).mode | 0o011);
  } catch {
    giveUp(`user postgres cannot reach ${home}: set HUDRIK_DATA to a folder that it can.`);
  }
}

const idOf = (flag) => Number(execFileSync('id', [flag, 'postgres'], { encoding: 'utf8' }));

function spawnAs(home, program, args) {
  const file = path.join(postgresBin(), program);
  const options = { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] };
  return isRoot
    ? spawnSync('runuser', ['-u', 'postgres', '--', file, ...args], { ...options, cwd: '/' })
    : spawnSync(file, args, { ...options, cwd: home });
}

function run(home, program, args) {
  const done = spawnAs(home, program, args);
  if (done.status !== 0) throw new Error(`${program} failed (${done.status}): ${done.stderr}${done.stdout}`);
}

function portOfRunning(home, cluster) {
  if (spawnAs(home, 'pg_ctl', ['-D', cluster, 'status']).status !== 0) return null;
  return Number(readFileSync(path.join(cluster, 'postmaster.pid'), 'utf8').split('\n')[3]);
}

async function startServer(home, cluster, durable) {
  for (let attempt = 0; ; attempt++) {
    const port = await freePort();
    try {
      startAt(home, cluster, durable, port);
      return port;
    } catch (error) {
      if (attempt >= 3) throw error;
    }
  }
}

function startAt(home, cluster, durable, port) {
  const loose = durable ? '' : ' -c fsync=off -c synchronous_commit=off -c full_page_writes=off';
  run(home, 'pg_ctl', [
    '-D',
    cluster,
    '-w',
    '-t',
    '60',
    '-l',
    path.join(home, 'log'),
    '-o',
    `-h 127.0.0.1 -p ${port} -k ${home}${loose}`,
    'start',
  ]);
}

function ensureDatabase(port, database) {
  const psql = (text) =>
    spawnSync(
      path.join(postgresBin(), 'psql'),
      ['-h', '127.0.0.1', '-p', String(port), '-U', 'hudrik', '-d', 'postgres', '-tAc', text],
      { encoding: 'utf8' },
    );
  if (psql(`select 1 from pg_database where datname = '${database}'`).stdout.trim() === '1') return;
  const made = psql(`create database ${database}`);
  if (made.status !== 0) giveUp(`the database could not be made: ${made.stderr}`);
}

export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}
