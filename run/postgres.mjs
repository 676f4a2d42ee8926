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
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { connect, createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensurePostgres, postgresBin, postgresMajors } from './install.mjs';
import { DATA, isRoot } from './places.mjs';
import { HAND_OVER, HBA, isGuarded, passwordsOf, ROLES, rolesSql, rulesFor, SUPERUSER } from './roles.mjs';
import { CERTIFICATE, reachIn, settingsOf } from './reach.mjs';
import { isRunnerAlive, noteRunner } from './runner.mjs';
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
  const loose = keepsCommits ? { fsync: 'off' } : LOOSE;
  return startIn(mkdtempSync(path.join(tmpdir(), 'hudrik-pg-')), { durable: false, keep: false, loose });
}

/** Whether a cluster’s server runs, whoever started it. */
export const isRunning = ({ home, cluster }) => existsSync(cluster) && portOfRunning(home, cluster) !== null;

/** Of a data folder: where its cluster lives with what belongs to it, and the cluster itself. */
export function placesOf(data) {
  const home = homeOf(data);
  return { home, cluster: path.join(home, 'data') };
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

const LOOSE = { fsync: 'off', synchronous_commit: 'off', full_page_writes: 'off' };
/** A throw-away cluster is on this machine alone. */
const NOWHERE = { host: null, port: null, peers: [] };

/** Whether a cluster follows another one: it takes nothing that is written. */
export const isCopy = (cluster) => existsSync(path.join(cluster, 'standby.signal'));

/**
 * Each step of what follows is seen to be done by what it leaves, and is begun again where it was stopped: passwords, the cluster, and for one of
 * an older version checksums, roles, owners, and at last that it lets nobody in without a password.
 */
async function startIn(home, { durable, keep, loose = {} }) {
  const { cluster, reach, passwords, isOlder } = prepared(home, durable);
  const running = await portOfReady(home, cluster);
  const settings = durable ? settingsOf(home, reach, process.env) : { listen_addresses: '127.0.0.1', ...loose };
  const port = running ?? (await startServer(home, cluster, settings, reach.port));
  // Where whoever started it was killed, it is stopped by whoever found it.
  const isOwn = running === null || (durable && !isRunnerAlive(home));
  if (durable && isOwn) noteRunner(home);
  if (reach.host !== null && !(await isReached(port, reach.host)))
    say(
      `the records are NOT reached at ${reach.host}:${port}: is that an address of this machine? (HUDRIK_POSTGRES_HOST)`,
    );
  const ask = psqlOn(home, port, passwords[SUPERUSER]);
  const copies = isCopy(cluster);
  if (!copies) mustHave(ask('postgres', rolesSql(passwords)), 'the roles could not be made');
  if (isOlder) takeOver(home, cluster, ask);
  const urlAs = (role, database) => {
    const password = passwords[role] ? `:${passwords[role]}` : '';
    return `postgres://${role}${password}@127.0.0.1:${port}/${database}`;
  };
  return {
    ...{ port, home, cluster, reach, passwords, ask },
    /** It follows another machine's: nothing can be written to it. */
    isCopy: copies,
    /** As the cluster's superuser: for tests, the bench and backups. */
    urlOf: (database) => urlAs(SUPERUSER, database),
    urlAs,
    ensureDatabase: (database) => ensureDatabase(ask, database, durable ? ROLES.owner : SUPERUSER),
    stop: () => {
      if (!isOwn) return;
      spawnAs(home, 'pg_ctl', ['-D', cluster, '-m', durable ? 'fast' : 'immediate', '-w', 'stop']);
      if (!keep) rmSync(home, { recursive: true, force: true });
    },
    /** For tests of a database that goes away in the middle. */
    pause: () => run(home, 'pg_ctl', ['-D', cluster, '-m', 'immediate', '-w', 'stop']),
    resume: () => startAt(home, cluster, settings, port),
  };
}

/** All that comes before its server is started. */
function prepared(home, durable) {
  ownFolder(home);
  if (isRoot) openWay(home);
  const cluster = path.join(home, 'data');
  const reach = durable ? reachIn(process.env) : NOWHERE;
  // What is thrown away holds nobody's data, and asks for no password.
  const passwords = durable ? passwordsOf(home) : {};
  mustNotBeRejoining(home);
  if (!existsSync(cluster)) mustNotBeMoving(home);
  if (!existsSync(cluster)) initdb(home, cluster, durable ? passwords[SUPERUSER] : null);
  mustBeOfAVersionHere(home);
  const isOlder = durable && !isGuarded(cluster);
  if (isOlder) addChecksums(home, cluster);
  if (reach.host !== null) ensureCertificate(home);
  if (durable && !isOlder) setRules(home, cluster, reach.peers);
  return { cluster, reach, passwords, isOlder };
}

/**
 * A new cluster. With a password nobody comes in without one, and each page has a checksum; without, it is one to throw away. It is made beside
 * its place and put there whole.
 */
function initdb(home, cluster, password) {
  const making = `${cluster}.making`;
  const file = path.join(home, 'password');
  rmSync(making, { recursive: true, force: true });
  const usual = ['-D', making, '-U', SUPERUSER, '-E', 'UTF8', '--locale=C.UTF-8'];
  if (password === null) run(home, 'initdb', [...usual, '-A', 'trust', '-k', '--no-sync']);
  else {
    writeAs(file, password);
    try {
      run(home, 'initdb', [...usual, '-A', 'scram-sha-256', `--pwfile=${file}`, '-k']);
      writeAs(path.join(making, 'pg_hba.conf'), HBA);
    } finally {
      rmSync(file, { force: true });
    }
  }
  renameSync(making, cluster);
}

/** PostgreSQL's user's own file, whole or as it was. */
export function writeAs(file, text) {
  writeFileSync(`${file}.new`, text, { mode: 0o600 });
  if (isRoot) chownSync(`${file}.new`, idOf('-u'), idOf('-g'));
  renameSync(`${file}.new`, file);
}

/** A cluster of an older version let in whoever was on this machine, and had no checksums. They can be added to one that ended in good order. */
function addChecksums(home, cluster) {
  const state = run(home, 'pg_controldata', ['-D', cluster]);
  if (!/^Data page checksum version: +0$/m.test(state)) return;
  say('the records of an older version get passwords and checksums, once');
  if (portOfRunning(home, cluster) === null && !/^Database cluster state: +shut down$/m.test(state))
    startAt(home, cluster, { listen_addresses: '' }, null);
  if (portOfRunning(home, cluster) !== null) run(home, 'pg_ctl', ['-D', cluster, '-m', 'fast', '-w', 'stop']);
  run(home, 'pg_checksums', ['-D', cluster, '--enable']);
}

/** The databases of an older version are the owner's from now on, and nobody comes in without a password. */
function takeOver(home, cluster, ask) {
  const names = ask('postgres', `select datname from pg_database where not datistemplate and datname <> 'postgres'`);
  for (const name of names.stdout.split('\n').filter(Boolean)) {
    mustHave(ask('postgres', `alter database "${name}" owner to ${ROLES.owner}`), name);
    mustHave(ask(name, HAND_OVER), `${name} could not be handed over`);
  }
  writeAs(path.join(cluster, 'pg_hba.conf'), HBA);
  run(home, 'pg_ctl', ['-D', cluster, 'reload']);
}

/** Who may come from other machines, as it is said now; a server that runs already hears of it. */
function setRules(home, cluster, peers) {
  const file = path.join(cluster, 'pg_hba.conf');
  const rules = readFileSync(file, 'utf8');
  const wanted = rulesFor(rules, peers);
  if (wanted === rules) return;
  writeAs(file, wanted);
  if (portOfRunning(home, cluster) !== null) run(home, 'pg_ctl', ['-D', cluster, 'reload']);
}

/** A certificate of its own for the records' server: nobody else has it, so whoever knows it needs no authority. */
function ensureCertificate(home) {
  const [cert, key] = [CERTIFICATE.cert, CERTIFICATE.key].map((name) => path.join(home, name));
  if (existsSync(cert) && existsSync(key)) return;
  const kind = ['-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:P-256', '-nodes', '-days', '7300'];
  const files = ['-keyout', `${key}.new`, '-out', `${cert}.new`];
  const made = spawnSync('openssl', ['req', '-x509', '-subj', '/CN=hudrik', ...kind, ...files], { encoding: 'utf8' });
  if (made.status !== 0)
    giveUp(`a certificate for the records’ server could not be made (openssl): ${made.stderr ?? made.error}`);
  // The key first: with a certificate there is one.
  for (const file of [key, cert]) writeAs(file, readFileSync(`${file}.new`, 'utf8'));
}

/** That the records of this machine are being made a copy of another's. */
export const rejoiningIn = (home) => path.join(home, 'rejoining');

/** Half in step with another's they are neither's. */
function mustNotBeRejoining(home) {
  if (existsSync(rejoiningIn(home)))
    giveUp(
      'bringing the records in step with the other machine’s was stopped on its way: npm run hudrik -- rejoin ends it.',
    );
}

/** Where the old cluster was set aside, and the new one is not in its place yet, an empty one would be the worst answer. */
function mustNotBeMoving(home) {
  if (readdirSync(home).some((name) => name.startsWith('data.postgresql-')))
    giveUp('the move to another PostgreSQL was stopped on its way: npm run hudrik -- move-postgres ends it.');
}

/** The major version of PostgreSQL that made this cluster; undefined: there is none yet. */
export function majorOf(home) {
  const file = path.join(home, 'data', 'PG_VERSION');
  return existsSync(file) ? readFileSync(file, 'utf8').trim() : undefined;
}

/** Records are read by the version that wrote them. */
function mustBeOfAVersionHere(home) {
  const [major, here] = [majorOf(home), postgresMajors()];
  if (major === undefined) giveUp(`${path.join(home, 'data')} holds no records of PostgreSQL: it says no version.`);
  if (!here.includes(major))
    giveUp(
      `these records were written by PostgreSQL ${major}; here is ${here.join(' and ')}. Nothing was changed. ` +
        `Install postgresql-${major} beside it and run: npm run hudrik -- move-postgres. ` +
        'Where that can not be had: set the data folder aside, and restore the newest backup into a new one.',
    );
  if (here[0] !== major)
    say(`PostgreSQL ${here[0]} is here too; the records stay with ${major} until: npm run hudrik -- move-postgres`);
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

const binOf = (home) => postgresBin(majorOf(home)) ?? postgresBin();

function spawnAs(home, program, args, env = {}) {
  const file = path.join(binOf(home), program);
  const options = { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'], env: { ...process.env, ...env } };
  return isRoot
    ? spawnSync('runuser', ['-u', 'postgres', '--', file, ...args], { ...options, cwd: '/' })
    : spawnSync(file, args, { ...options, cwd: home });
}

/** Runs a program of PostgreSQL's as its user. Out: what it said. */
export function run(home, program, args, env) {
  const done = spawnAs(home, program, args, env);
  if (done.status !== 0) throw new Error(`${program} failed (${done.status}): ${done.stderr}${done.stdout}`);
  return done.stdout;
}

/** One that somebody else started a moment ago may still be looking through its log; one that was killed may still be ending. Null: none runs. */
async function portOfReady(home, cluster) {
  for (let nth = 0; nth < 120; nth++) {
    const port = portOfRunning(home, cluster);
    if (port === null) return null;
    if (spawnAs(home, 'pg_isready', ['-h', '127.0.0.1', '-p', String(port)]).status === 0) return port;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  return giveUp(`the records' server is not ready after a minute; its log is in ${path.join(home, 'logs')}.`);
}

function portOfRunning(home, cluster) {
  if (spawnAs(home, 'pg_ctl', ['-D', cluster, 'status']).status !== 0) return null;
  return Number(readFileSync(path.join(cluster, 'postmaster.pid'), 'utf8').split('\n')[3]);
}

async function startServer(home, cluster, settings, fixed) {
  if (fixed !== null) {
    if (!(await isFree(fixed)))
      giveUp(`port ${fixed}, where the records are to be reached (HUDRIK_POSTGRES_PORT), is taken.`);
    startAt(home, cluster, settings, fixed);
    return fixed;
  }
  for (let attempt = 0; ; attempt++) {
    const port = await freePort();
    try {
      startAt(home, cluster, settings, port);
      return port;
    } catch (error) {
      if (attempt >= 3) throw error;
    }
  }
}

/** In: settings of PostgreSQL's beyond its files; a port of null is none but its socket. What it says until it keeps its own log goes to one file. */
export function startAt(home, cluster, settings, port) {
  const all = { ...settings, unix_socket_directories: home, ...(port === null ? {} : { port: String(port) }) };
  const given = Object.entries(all).map(([name, value]) => `-c '${name}=${value}'`);
  const log = path.join(home, 'log');
  run(home, 'pg_ctl', ['-D', cluster, '-w', '-t', '60', '-l', log, '-o', given.join(' '), 'start']);
}

/** Asks statements of a database of the cluster, as its superuser. */
const psqlOn = (home, port, password) => (database, text) =>
  spawnSync(
    path.join(binOf(home), 'psql'),
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

const REACHED_WITHIN_MS = 2000;

/** Whether somebody listens there. */
function isReached(port, host) {
  return new Promise((resolve) => {
    const socket = connect({ port, host, timeout: REACHED_WITHIN_MS });
    const end = (isSo) => (socket.destroy(), resolve(isSo));
    socket.once('connect', () => end(true));
    for (const failed of ['error', 'timeout']) socket.once(failed, () => end(false));
  });
}

/** Whether nobody listens at a port of this machine. */
function isFree(port) {
  return new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)));
  });
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
