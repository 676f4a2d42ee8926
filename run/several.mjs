import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { unwatchFile, watchFile } from 'node:fs';
import { hostname } from 'node:os';
import path from 'node:path';
import { programOf } from './builtServer.mjs';
import { keepRunning, TOLD_TO_END } from './keepRunning.mjs';
import { DATA, ROOT } from './places.mjs';
import { freePort } from './postgres.mjs';
import { startProxy } from './proxy.mjs';
import { giveUp, say } from './say.mjs';

const SERVER = path.join(ROOT, 'server');
const LOOPBACK = /^(localhost|127\.\d+\.\d+\.\d+|::1)$/;

const isUp = (port) =>
  fetch(`http://127.0.0.1:${port}/api/health`).then(
    () => true,
    () => false,
  );

async function untilUp(port, isStopping) {
  while (!(await isUp(port)) && !isStopping()) await new Promise((resolve) => setTimeout(resolve, 100));
}

/** The simulated outside, once for all processes. Out: how they are told of it, and what ends it. */
async function startStandIns(env) {
  const child = spawn(process.execPath, programOf('standins/main.ts'), {
    cwd: SERVER,
    env: { ...env, ...TOLD_TO_END },
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  const said = await new Promise((resolve) => {
    child.stdout.once('data', (chunk) => resolve(String(chunk)));
    child.once('exit', () => resolve(null));
  });
  if (said === null) giveUp('the simulated outside could not be started.');
  return { urls: JSON.parse(said), stop: () => child.kill('SIGTERM') };
}

/** How those beyond this machine reach nginx: by the yard's own certificate, by Hudrik's own authority, or in the clear where that is asked for. */
export function facingOf(env, port) {
  const { HUDRIK_HOST: host = '127.0.0.1', HUDRIK_TLS_CERT: cert = null, HUDRIK_TLS_KEY: key = null } = env;
  const called = LOOPBACK.test(host) ? 'localhost' : (env.HUDRIK_NAMES ?? '').split(/[\s,]+/).find(Boolean);
  const name = called ?? hostname().toLowerCase();
  if (LOOPBACK.test(host) && cert === null) return { name, host, cert, key, trustPort: null, told: {} };
  const trustPort = Number(env.HUDRIK_TRUST_PORT ?? port + 1);
  const told = {
    HUDRIK_FACING_HOST: host,
    HUDRIK_FACING_PORT: String(port),
    HUDRIK_TRUST_PORT: String(trustPort),
  };
  if (cert !== null || env.HUDRIK_PLAIN_HTTP === 'yes') return { name, host, cert, key, trustPort: null, told };
  const made = (file) => path.join(env.HUDRIK_DATA_FOLDER, 'tls', file);
  return { name, host, cert: made('server.crt'), key: made('server.key'), trustPort, told };
}

/**
 * Several server processes on one database, and nginx in front of them where one would listen: each is started again when it dies, and the others
 * answer meanwhile. In: how many, and their environment. Out: what stops them all, and a promise of the exit code.
 */
export async function startSeveral(count, env) {
  const port = Number(env.PORT ?? 4780);
  const facing = facingOf(env, port);
  let isStopping = false;
  const outside = await startStandIns(env);
  // Each listens on this machine alone; who is beyond it comes through nginx.
  const { HUDRIK_HOST: _host, ...rest } = env;
  const firstLead = env.HUDRIK_FIRST_LEAD_CODE ?? randomBytes(12).toString('base64url');
  const { HUDRIK_PRIVATE_HOSTS } = outside.urls;
  const own = { ...outside.urls, ...rest, HUDRIK_PRIVATE_HOSTS, ...facing.told, HUDRIK_FIRST_LEAD_CODE: firstLead };
  const servers = [];
  const ports = [];
  for (let n = 0; n < count; n++) {
    const each = await freePort();
    ports.push(each);
    servers.push(
      keepRunning(process.execPath, programOf('main.ts'), {
        cwd: SERVER,
        env: { ...own, ...TOLD_TO_END, PORT: String(each), HUDRIK_KEEPS_CERTIFICATE: n === 0 ? 'yes' : 'no' },
        // What it says of where it is up is said of the proxy below.
        stdio: ['pipe', 'ignore', 'inherit'],
        detached: true,
      }),
    );
    // The first brings the records up to date, and makes the certificate.
    await untilUp(each, () => isStopping);
  }
  const { name, host, cert, key, trustPort } = facing;
  const proxy = startProxy({ folder: path.join(DATA, 'proxy'), host, port, ports, cert, key });
  // A certificate that was made anew counts for the next connection.
  if (cert !== null) watchFile(cert, { interval: 60_000, persistent: false }, () => proxy.kill('SIGHUP'));
  const proxyEnded = new Promise((resolve) => proxy.once('exit', (code) => resolve(code ?? 1)));
  const scheme = cert === null ? 'http' : 'https';
  const at = `${scheme}://${name}:${port}`;
  say(`${count} processes behind nginx: ${at}`);
  if (trustPort !== null) say(`devices learn to trust it at http://${name}:${trustPort}`);
  if (await wantsFirstLead(ports[0]))
    say(`nobody is here yet. Make the first lead, once, at ${at}/first-lead?code=${firstLead}`);
  const stop = () => {
    if (isStopping) return;
    isStopping = true;
    if (cert !== null) unwatchFile(cert);
    for (const server of servers) server.stop();
    proxy.kill('SIGTERM');
    outside.stop();
  };
  const ended = proxyEnded.then(async (code) => {
    stop();
    await Promise.all(servers.map((server) => server.ended));
    return code;
  });
  return { stop, ended, pids: () => servers.map((server) => server.pid()) };
}

const wantsFirstLead = (port) =>
  fetch(`http://127.0.0.1:${port}/api/sign-in-options`)
    .then((answer) => answer.json())
    .then(({ wantsFirstLead: isSo }) => isSo === true);
