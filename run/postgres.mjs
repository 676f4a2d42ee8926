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
  writeFileSync,
} from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensurePostgres, postgresBin } from './install.mjs';
import { DATA, isRoot } from './places.mjs';
import { HAND_OVER, HBA, makePasswords, readPasswords, ROLES, rolesSql, SUPERUSER } from './roles.mjs';
import { giveUp, say } from './say.mjs';

/**
 * A private PostgreSQL cluster on loopback, kept in the data folder. One that runs already is used as it is.
 * As root its server runs as Debian's user postgres, since PostgreSQL refuses to run as root.
 */
export async function startPostgres(data = DATA) {
  ensurePostgres();
  return startIn(homeOf(data), { durable: true, keep: true });
}

/** A cluster that is thrown away at the end: for tests and the bench. No fsync, so nobody's data belongs in it. */
export async function startThrowAwayPostgres({ keepsCommits = false } = {}) {
  ensurePostgres();
  // A drill that kills it asks what was committed: that is written at once, if not to the disk itself.
  const loose = keepsCommits ? ' -c fsync=off' : LOOSE;
  return startIn(mkdtempSync(path.join(tmpdir(), 'hudrik-pg-')), { durable: false, keep: false, loose });
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

/** A folder that is PostgreSQL's user's alone. */
export function ownFolder(home) {
  mkdirSync(home, { recursive: true });
  if (isRoot) chownSync(home, idOf('-u'), idOf('-g'));
  chmodSync(home, 0o700);
}

const LOOSE = ' -c fsync=off -c synchronous_commit=off -c full_page_writes=off';

async function startIn(home, { durable, keep, loose = '' }) {
  ownFolder(home);
  if (isRoot) openWay(home);
  const cluster = path.join(home, 'data');
  const isNew = !existsSync(path.join(cluster, 'PG_VERSION'));
  // What is thrown away holds nobody's data, and asks for no password.
  const before = durable ? readPasswords(home) : {};
  const passwords = before ?? makePasswords(home);
  if (isNew) initdb(home, cluster, durable ? passwords[SUPERUSER] : null);
  else if (before === null) guardOlder(home, cluster);
  const running = portOfRunning(home, cluster);
  const port = running ?? (await startServer(home, cluster, loose));
  const ask = psqlOn(port, passwords[SUPERUSER]);
  mustHave(ask('postgres', rolesSql(durable ? passwords : {})), 'the roles could not be made');
  if (durable && before === null && !isNew) takeOver(home, cluster, port, passwords);
  const urlAs = (role, database) => {
    const password = passwords[role] ? `:${passwords[role]}` : '';
    return `postgres://${role}${password}@127.0.0.1:${port}/${database}`;
  };
  return {
    port,
    home,
    /** As the cluster's superuser: for tests, the bench and backups. */
    urlOf: (database) => urlAs(SUPERUSER, database),
    urlAs,
    ensureDatabase: (database) => ensureDatabase(ask, database, durable ? ROLES.owner : SUPERUSER),
    stop: () => {
      if (running !== null) return;
      spawnAs(home, 'pg_ctl', ['-D', cluster, '-m', durable ? 'fast' : 'immediate', '-w', 'stop']);
      if (!keep) rmSync(home, { recursive: true, force: true });
    },
    /** For tests of a database that goes away in the middle. */
    pause: () => run(home, 'pg_ctl', ['-D', cluster, '-m', 'immediate', '-w', 'stop']),
    resume: () => startAt(home, cluster, loose, port),
  };
}

/** A new cluster. With a password nobody comes in without one, and each page has a checksum; without, it is one to throw away. */
function initdb(home, cluster, password) {
  const usual = ['-D', cluster, '-U', SUPERUSER, '-E', 'UTF8', '--locale=C.UTF-8'];
  if (password === null) return run(home, 'initdb', [...usual, '-A', 'trust', '-k', '--no-sync']);
  const file = path.join(home, 'password');
  writeFileSync(file, password, { mode: 0o600 });
  if (isRoot) chownSync(file, idOf('-u'), idOf('-g'));
  try {
    run(home, 'initdb', [...usual, '-A', 'scram-sha-256', `--pwfile=${file}`, '-k']);
    writeAs(path.join(cluster, 'pg_hba.conf'), HBA);
  } finally {
    rmSync(file, { force: true });
  }
}

function writeAs(file, text) {
  writeFileSync(file, text, { mode: 0o600 });
  if (isRoot) chownSync(file, idOf('-u'), idOf('-g'));
}

/** A cluster of an older version let in whoever was on this machine, and had no checksums. */
function guardOlder(home, cluster) {
  if (portOfRunning(home, cluster) !== null) run(home, 'pg_ctl', ['-D', cluster, '-m', 'fast', '-w', 'stop']);
  say('the records of an older version get passwords and checksums, once');
  run(home, 'pg_checksums', ['-D', cluster, '--enable']);
}

/** The databases of an older version are the owner's from now on, and nobody comes in without a password. */
function takeOver(home, cluster, port, passwords) {
  const ask = psqlOn(port, passwords[SUPERUSER]);
  const names = ask('postgres', `select datname from pg_database where not datistemplate and datname <> 'postgres'`);
  for (const name of names.stdout.split('\n').filter(Boolean)) {
    mustHave(ask('postgres', `alter database "${name}" owner to ${ROLES.owner}`), name);
    mustHave(ask(name, HAND_OVER), `${name} could not be handed over`);
  }
  writeAs(path.join(cluster, 'pg_hba.conf'), HBA);
  run(home, 'pg_ctl', ['-D', cluster, 'reload']);
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

/** Runs a program of PostgreSQL's as its user. */
export function run(home, program, args) {
  const done = spawnAs(home, program, args);
  if (done.status !== 0) throw new Error(`${program} failed (${done.status}): ${done.stderr}${done.stdout}`);
}

function portOfRunning(home, cluster) {
  if (spawnAs(home, 'pg_ctl', ['-D', cluster, 'status']).status !== 0) return null;
  return Number(readFileSync(path.join(cluster, 'postmaster.pid'), 'utf8').split('\n')[3]);
}

async function startServer(home, cluster, loose) {
  for (let attempt = 0; ; attempt++) {
    const port = await freePort();
    try {
      startAt(home, cluster, loose, port);
      return port;
    } catch (error) {
      if (attempt >= 3) throw error;
    }
  }
}

/** In: settings beyond the usual, as on its command line. */
export function startAt(home, cluster, loose, port) {
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

/** Asks statements of a database of the cluster, as its superuser. */
const psqlOn = (port, password) => (database, text) =>
  spawnSync(
    path.join(postgresBin(), 'psql'),
    ['-h', '127.0.0.1', '-p', String(port), '-U', SUPERUSER, '-d', database, '-v', 'ON_ERROR_STOP=1', '-tAc', text],
    { encoding: 'utf8', env: { ...process.env, ...(password ? { PGPASSWORD: password } : {}) } },
  );

function mustHave(done, what) {
  if (done.status !== 0) giveUp(`${what}: ${done.stderr}`);
}

function ensureDatabase(ask, database, owner) {
  if (ask('postgres', `select 1 from pg_database where datname = '${database}'`).stdout.trim() === '1') return;
  mustHave(ask('postgres', `create database ${database} owner ${owner}`), 'the database could not be made');
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
